import { expect, expectSoundEverywhere, openHarbour, test } from './studio';

test('what is drawn stands in the record of its piece, with words to publish it', async ({ page }) => {
    await openHarbour(page);
    await page.getByRole('link', { name: 'Draw' }).click();
    await expect(page.getByText(/^Turn 1 of/)).toBeVisible({ timeout: 30_000 });
    await page.keyboard.press('d');
    await expect(page.getByText(/^Turn 2 of/)).toBeVisible();
    await page.keyboard.press('d');
    await expect(page.getByText(/^Turn 3 of/)).toBeVisible();
    await page.getByRole('link', { name: 'Pieces' }).click();
    await page.getByRole('button', { name: 'More of Floats and buoy on planks' }).click();
    await page.getByRole('menuitem', { name: 'Record' }).click();
    await expect(page.getByTestId('took')).toContainText('in 1 sitting, 2 turns');
    await expect(page.getByTestId('caption')).toContainText(
        'Floats and buoy on planks. Coloured pencil on Harbour Cartridge',
    );
    await expectSoundEverywhere(page);
});
