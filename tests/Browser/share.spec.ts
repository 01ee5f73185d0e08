import { expect, expectSound, openDemo, test } from './studio';

test('a plan is shared by a link, read by a stranger, and ended', async ({ page, browser }) => {
    await page.context().grantPermissions(['clipboard-read', 'clipboard-write']);
    await openDemo(page);
    await page.getByRole('button', { name: 'More of Floats and buoy on planks' }).click();
    await page.getByRole('menuitem', { name: 'Share' }).click();
    const sheet = page.getByRole('dialog', { name: 'Share Floats and buoy on planks' });
    await sheet.getByText('The reference photo too').click();
    await sheet.getByRole('button', { name: 'Make a link' }).click();
    await expect(sheet.getByTestId('share')).toContainText('The plan, with the photo');
    await expectSound(page);
    await sheet.getByRole('button', { name: 'Copy the link' }).click();
    await expect(page.getByText('The link is copied')).toBeVisible();
    const link = await page.evaluate(() => navigator.clipboard.readText());

    const context = await browser.newContext();
    const stranger = await context.newPage();
    await stranger.goto(link);
    await expect(stranger.getByRole('heading', { level: 1, name: 'Floats and buoy on planks' })).toBeVisible();
    await expect(stranger.getByTestId('turn').first()).toBeVisible();
    for (const name of ['What Floats and buoy on planks is drawn from', 'Floats and buoy on planks as it is planned'])
        await expect
            .poll(() => stranger.getByRole('img', { name }).evaluate((image: HTMLImageElement) => image.naturalWidth))
            .toBeGreaterThan(0);
    // It is no way into the studio.
    await expect(stranger.getByRole('navigation')).toHaveCount(0);
    await stranger.goto('/pieces');
    await expect(stranger.getByRole('heading', { name: 'Sign in' })).toBeVisible();

    await sheet.getByRole('button', { name: 'End it' }).click();
    await expect(sheet.getByTestId('share')).toHaveCount(0);
    await stranger.goto(link);
    await expect(stranger.getByRole('heading', { name: 'This link leads nowhere' })).toBeVisible();
    await context.close();
});
