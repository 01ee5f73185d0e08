import { expect, expectSoundEverywhere, newArtist, openDemo, test } from './studio';

test('a studio is saved, taken in by another, and taken back out', async ({ page, browser }) => {
    test.setTimeout(180_000);
    await openDemo(page);
    await page.getByRole('link', { name: 'Studio', exact: true }).click();
    await page.getByRole('button', { name: 'Save the whole studio' }).click();
    const link = page.getByRole('link', { name: /^Fetch studio-[\d-]+\.zip/ });
    await expect(link).toBeVisible({ timeout: 120_000 });
    const [saved] = await Promise.all([page.waitForEvent('download'), link.click()]);
    expect(saved.suggestedFilename()).toMatch(/^studio-\d{4}-\d\d-\d\d\.zip$/);
    const archive = await saved.path();

    // Where it comes from, each piece is known.
    await page.locator('input[type=file][accept*=zip]').setInputFiles(archive);
    const brought = page.getByTestId('brought');
    await expect(brought).toContainText('48 pencils in the box, 430 swatches');
    await page.getByRole('button', { name: /What becomes of Lantern and rope/ }).click();
    await page.getByRole('option', { name: 'Put it in its place' }).click();
    await expect(brought).toContainText('What is here already stays, but for the pieces whose place is taken.');
    await expectSoundEverywhere(page);
    await brought.getByRole('button', { name: 'Cancel' }).click();
    await expect(brought).toBeHidden();

    const context = await browser.newContext();
    const other = await context.newPage();
    await newArtist(other, 'Wren');
    await other.goto('/studio');
    // No archive, in words.
    await other
        .locator('input[type=file][accept*=zip]')
        .setInputFiles({ name: 'a.zip', mimeType: 'application/zip', buffer: Buffer.from('no zip') });
    await expect(other.getByText(/This is no whole zip file/)).toBeVisible();
    await other.locator('input[type=file][accept*=zip]').setInputFiles(archive);
    await expect(other.getByTestId('brought')).toContainText('Floats and buoy on planks');
    await expect(other.getByRole('checkbox', { name: /Its habits and the calibration/ })).toBeChecked();
    await other.getByRole('button', { name: 'Take it in' }).click();
    await expect(other.getByTestId('taken-in')).toContainText('A studio, 4 pieces', { timeout: 60_000 });
    await other.getByRole('link', { name: 'Pieces' }).click();
    await expect(other.getByRole('link', { name: 'Floats and buoy on planks', exact: true })).toBeVisible();
    await other.getByRole('link', { name: 'Floats and buoy on planks', exact: true }).click();
    await expect(other.getByTestId('picture')).toBeVisible();
    await other.goto('/studio');
    await other.getByRole('button', { name: 'Take it back out' }).click();
    await expect(other.getByText('Taken back: the studio is as it was before.')).toBeVisible();
    await expect(other.getByTestId('taken-in')).toBeHidden();
    await context.close();
});

test('a piece is saved alone, from its record', async ({ page }) => {
    await openDemo(page);
    await page.getByRole('button', { name: 'More of Three glazed jugs' }).click();
    await page.getByRole('menuitem', { name: 'Record' }).click();
    await page.getByRole('button', { name: 'Save as archive' }).click();
    await expect(page.getByRole('link', { name: /^Fetch three-glazed-jugs-/ })).toBeVisible({ timeout: 60_000 });
});
