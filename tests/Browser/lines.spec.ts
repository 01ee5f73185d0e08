import { clickAt, expect, expectSound, openDemo, test } from './studio';

test('a line drawing is coloured area by area, planned, and drawn', async ({ page }) => {
    test.setTimeout(180_000);
    await openDemo(page);
    await page.getByRole('link', { name: 'New piece' }).click();
    await page.getByRole('radio', { name: 'A line drawing' }).click();
    // A photo is none, and says so; what was typed stays.
    await page.setInputFiles('input[type=file]', 'database/demo/jugs.jpg');
    await page.getByLabel('Title').fill('Coloured by me');
    await page.getByRole('button', { name: 'Start' }).click();
    await expect(page.getByRole('alert')).toContainText('tones and not lines', { timeout: 30_000 });
    await page.setInputFiles('input[type=file]', 'database/demo/quay.png');
    await page.getByRole('button', { name: 'Start' }).click();
    await expect(page.getByTestId('picture').locator('[data-area]').first()).toBeAttached({ timeout: 60_000 });
    await page.getByRole('link', { name: 'Look' }).click();
    await expect(page.getByTestId('areas')).toHaveText('46 areas, 46 still paper. 3 gaps in the lines bridged.');

    // The ball of the buoy, by a pencil of the box; its belt as one form with it, by keys alone.
    const area = page.getByTestId('area');
    await clickAt(page, 0.68, 0.52);
    await expect(area).toContainText('It stays paper');
    await expectSound(page);
    await area.getByRole('radio', { name: 'Ladder' }).click();
    await area.getByRole('option').nth(3).click();
    await expect(page.getByTestId('areas')).toContainText('45 still paper', { timeout: 20_000 });
    await expect(area).toContainText('middle');
    const first = await page.getByTestId('zone').getByLabel('Name of the zone').inputValue();
    expect(first).not.toContain('white');
    await clickAt(page, 0.68, 0.64);
    await expect(area).toContainText('It stays paper');
    await area.getByLabel(/Or type it/).fill('#d9c9a4');
    await page.keyboard.press('Enter');
    await expect(page.getByTestId('areas')).toContainText('44 still paper', { timeout: 20_000 });
    await area.getByRole('button', { name: 'One form with' }).click();
    await clickAt(page, 0.68, 0.52);
    await expect(area).toContainText(`One form with ${first}`, { timeout: 20_000 });
    await page.getByRole('button', { name: 'Undo' }).click();
    await expect(area.getByRole('button', { name: 'A form of its own' })).toHaveCount(0, { timeout: 20_000 });

    // The rest stays paper; it is planned and drawn like any other picture.
    await page.getByRole('link', { name: 'Plan' }).click();
    await page.getByRole('button', { name: 'Plan the picture' }).click();
    await expect(page.getByRole('heading', { name: /Lay out/ })).toBeVisible({ timeout: 90_000 });
    await page.getByRole('link', { name: 'Draw' }).click();
    await expect(page.getByText(/Turn 1 of/)).toBeVisible({ timeout: 30_000 });
    await expectSound(page);
});
