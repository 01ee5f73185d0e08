import { clickAt, expect, expectSound, openOwnPiece, test } from './studio';

test('from a photo to a planned picture, its drawing and its sheet', async ({ page }) => {
    await openOwnPiece(page, 'Jugs to plan');
    await page.getByRole('link', { name: '3 Plan' }).click();
    await expect(page.getByText('Nothing to plan yet?', { exact: false })).toBeVisible();
    await page.getByRole('radio', { name: '8', exact: true }).click();
    const palette = page.getByTestId('palette');
    await expect(palette).toContainText('8 pencils come within dE00', { timeout: 60_000 });
    await expect(page.getByRole('heading', { name: /Take out \d pencils/ })).toBeVisible();
    await expect(page.getByTestId('time')).toContainText('About');
    const list = page.getByRole('list', { name: 'Zones' });
    await expect(list.getByRole('button', { name: /has a recipe/ }).first()).toBeVisible();

    // Without one of them, and with it again.
    const first = page.getByTestId('pencil').first();
    const number = (await first.locator('b').textContent()) ?? '';
    await page.getByRole('button', { name: `Do without ${number}`, exact: true }).click();
    const back = page.getByRole('button', { name: new RegExp(`Allow \\w+:${number} again`) });
    await expect(back).toBeEnabled({ timeout: 60_000 });
    await expect(page.getByTestId('pencil').locator('b', { hasText: number })).toHaveCount(0, {
        timeout: 60_000,
    });
    await back.click();
    await expect(back).toHaveCount(0);
    await expect(palette).toContainText('8 pencils', { timeout: 60_000 });

    // The drawing, stage by stage, where the photo was.
    await page.getByRole('radio', { name: 'Drawing' }).click();
    const photo = page.getByTestId('photo');
    await expect(photo).toHaveAttribute('src', /simulation/);
    await expect
        .poll(() => photo.evaluate((image) => (image as HTMLImageElement).naturalWidth), { timeout: 30_000 })
        .toBe(1024);
    await page.getByRole('slider', { name: 'Stage' }).focus();
    await page.keyboard.press('Home');
    await expect(page).toHaveURL(/stage=0/);
    await expect(page.getByText('bare paper')).toBeVisible();
    await expect(page.getByTestId('value-check')).toContainText('off by L', { timeout: 30_000 });

    // Order, joins, and the way back to Match for one colour.
    await page.getByRole('button', { name: /Over the picture/ }).click();
    await page.getByRole('option', { name: 'Zone by zone' }).click();
    await expect(page.getByText('Zone by zone: each is finished', { exact: false })).toBeVisible({ timeout: 20_000 });
    await clickAt(page, 0.22, 0.45);
    await expect(page.getByTestId('joins')).toContainText('mm');
    await expect(page.getByTestId('plan-step').filter({ hasText: 'before' }).first()).toBeVisible();
    await expectSound(page);
    // The panels scroll, never the page under them.
    expect(await page.evaluate(() => document.documentElement.scrollHeight - innerHeight)).toBe(0);
    const sheet = await page.request.get(
        (await page.getByRole('link', { name: 'Plan sheet, PDF' }).getAttribute('href')) ?? '',
    );
    expect(sheet.headers()['content-type']).toBe('application/pdf');
    await page.keyboard.press('2');
    await page.getByText('From the palette').click();
    await expect(page.getByRole('article', { name: 'Recipe No. 1' })).toBeVisible();
    const used = await page.getByRole('article', { name: 'Recipe No. 1' }).locator('li b').first().textContent();
    await page
        .getByRole('button', { name: `Leave out ${used}` })
        .first()
        .click();
    await expect(page.getByRole('button', { name: new RegExp(`Use \\w+:${used} again`) })).toBeVisible();
});
