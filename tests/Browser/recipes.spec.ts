import { clickAt, expect, expectSound, openHarbour, test } from './studio';

test('a recipe is kept from Match, found in the book, seen in other pencils, and laid in another zone', async ({
    page,
}) => {
    test.setTimeout(120_000);
    await openHarbour(page);
    await clickAt(page, 0.3, 0.15);
    const keep = async () => {
        await page.getByRole('button', { name: 'To my recipes' }).click();
        await sheet.getByLabel('Name').fill('Boards of mine');
        await sheet.getByLabel('Tags, with commas between').fill('far, mine');
        await sheet.getByRole('button', { name: 'Keep' }).click();
    };
    const sheet = page.getByRole('dialog');
    await keep();
    await expect(sheet).toBeHidden();
    // Once more: the book has it already, and says so.
    await keep();
    await expect(sheet.getByText(/already: Boards of mine/)).toBeVisible();
    await expectSound(page);
    await page.keyboard.press('Escape');

    await page.getByRole('link', { name: 'Recipes' }).click();
    await expectSound(page);
    await page.getByLabel('Name, purpose, note, pencil').fill('boards mine');
    const entry = page.getByTestId('kept-recipe');
    await expect(entry).toHaveCount(1);
    await expect(entry).toContainText('Wall boards');
    await entry.getByRole('button', { name: /More of/ }).click();
    await page.getByRole('menuitem', { name: 'Change' }).click();
    await page.getByRole('dialog').getByLabel('Name').fill('Boards, bleached');
    await page.getByRole('dialog').getByRole('button', { name: 'Save' }).click();
    await expect(entry).toContainText('Boards, bleached');

    await entry.getByRole('button', { name: /More of/ }).click();
    await page.getByRole('menuitem', { name: /Other pencils/ }).click();
    await page
        .getByRole('dialog')
        .getByRole('button', { name: /Pencils of/ })
        .click();
    await page.getByRole('option', { name: 'Lightship Oil' }).click();
    await expect(page.getByRole('dialog').getByText('Nearest mix')).toBeVisible({ timeout: 30_000 });
    await expectSound(page);
    await page.keyboard.press('Escape');

    await entry.getByRole('button', { name: /Use .* in a piece/ }).click();
    await page
        .getByRole('dialog')
        .getByRole('button', { name: /^(Floats|Three|Lantern|A quay).* Piece/ })
        .click();
    await page.getByRole('option', { name: 'Three glazed jugs' }).click();
    await page.getByRole('dialog').getByRole('button', { name: 'Lay it there' }).click();
    await expect(page.getByText(/Boards, bleached is kept for/)).toBeVisible();
});
