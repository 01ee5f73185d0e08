import { dragged, expect, openHarbour, sampleAt, test } from './studio';

test('from a spot in the photo to a drawn step, and all of it survives a reload', async ({ page }) => {
    await openHarbour(page);

    // Look: a click samples the colour and tells it in words and numbers.
    await page.keyboard.press('1');
    await sampleAt(page, 0.9, 0.93);
    const reading = page.getByTestId('reading');
    await expect(reading).toContainText('Value step');
    await expect(reading.getByRole('img', { name: /On the hue ring/ })).toBeVisible();

    // Match: the first recipe in the upper half and the second whole, without scrolling, whatever they are built of.
    await page.keyboard.press('2');
    const recipes = page.getByTestId('recipe');
    await expect(page.getByText('Nearest single')).toBeVisible();
    await expect.poll(() => recipes.count()).toBeGreaterThanOrEqual(4);
    await expect.poll(async () => (await recipes.first().boundingBox())?.y ?? Infinity).toBeLessThan(400);
    await expect(recipes.nth(1)).toBeInViewport({ ratio: 0.9 });

    // The stack editor predicts every change at once.
    await page.getByRole('button', { name: 'Adjust recipe No. 1' }).click();
    const editor = page.getByTestId('editor');
    await expect(editor).toBeVisible();
    const before = await editor.getByTestId('dE').textContent();
    await editor.getByRole('slider', { name: 'Pressure of step 1' }).focus();
    for (let i = 0; i < 4; i++) await page.keyboard.press('ArrowRight');
    await expect(editor.getByTestId('dE')).not.toHaveText(before ?? '');
    await editor.getByRole('button', { name: 'Add wash' }).click();
    await expect(editor.getByText('Solvent wash, dried')).toBeVisible();
    await editor.getByRole('button', { name: 'Add blend' }).click();
    await editor.getByRole('button', { name: 'Undo' }).click();
    await expect(editor.getByText('Colourless blender')).toHaveCount(0);
    await editor.getByRole('button', { name: 'Redo' }).click();
    await expect(editor.getByText('Colourless blender')).toBeVisible();
    await editor.getByRole('button', { name: 'Undo' }).click();

    // What lies open comes back after a reload.
    const notation = editor.getByLabel(/As text/);
    const stack = await notation.inputValue();
    expect(stack).toMatch(/> wash$/);
    await page.reload();
    await expect(page.getByTestId('editor').getByLabel(/As text/)).toHaveValue(stack);

    // Kept as the recipe of a named zone.
    await editor.getByLabel('Name the zone this recipe is for').fill('Front plank');
    await editor.getByRole('button', { name: 'Keep as zone' }).click();
    await expect(page.getByRole('button', { name: /Front plank, has a recipe/ })).toBeVisible();
    await page.reload();
    await expect(page.getByRole('button', { name: /Front plank, has a recipe/ })).toBeVisible();

    // Plan: pencils to take out, cautions, ordered steps, the sheet.
    await page.keyboard.press('3');
    await expect(page.getByRole('heading', { name: /Lay out these \d+/ })).toBeVisible();
    await page.getByRole('tab', { name: 'Order' }).click();
    await expect(page.getByRole('list', { name: 'Cautions' })).toContainText('Solvent: air the room');
    await expect(page.getByTestId('turn').filter({ hasText: 'Front plank' }).first()).toBeVisible();
    const sheet = await page.request.get(
        (await page.getByRole('link', { name: 'Plan sheet, PDF' }).getAttribute('href')) ?? '',
    );
    expect(sheet.headers()['content-type']).toBe('application/pdf');
    expect((await sheet.body()).subarray(0, 4).toString()).toBe('%PDF');

    // Draw: one turn done, one skipped, taken back; and it remembers where one was.
    await page.keyboard.press('4');
    const at = page.getByTestId('turn-of');
    await expect(at).toContainText('Turn 1 of');
    await page.keyboard.press('d');
    await expect(at).toContainText('Turn 2 of');
    await page.getByRole('button', { name: /Skip/ }).click();
    await expect(at).not.toContainText('Turn 2 of');
    await page.keyboard.press('u');
    await expect(at).toContainText('Turn 2 of');
    await expect(page.getByTestId('saved')).toHaveText('Saved');
    await page.reload();
    await expect(at).toContainText('Turn 2 of');
    await page.getByRole('button', { name: /Undo/ }).click();
    await expect(at).toContainText('Turn 1 of');
});

test('steps are put in another order by dragging, from the keyboard too', async ({ page }) => {
    await openHarbour(page);
    await sampleAt(page, 0.5, 0.12);
    await page.getByRole('button', { name: 'Adjust recipe No. 1' }).click();
    const editor = page.getByTestId('editor');
    const notation = editor.getByLabel(/As text/);
    await notation.fill('QW:6858@30 > QW:4731@40 > QW:5925@50');
    await notation.press('Enter');
    await expect(editor.getByRole('row')).toHaveCount(3);
    const words = await editor.getByTestId('words').textContent();

    await editor.getByRole('button', { name: 'Move step 3', exact: true }).focus();
    await page.keyboard.press('Enter');
    await page.keyboard.press('ArrowUp');
    await page.keyboard.press('ArrowUp');
    await page.keyboard.press('Enter');
    await expect(notation).not.toHaveValue('QW:6858@30 > QW:4731@40 > QW:5925@50');
    expect((await notation.inputValue()).split(' > ').sort()).toEqual(['QW:4731@40', 'QW:5925@50', 'QW:6858@30']);

    const first = (await notation.inputValue()).split(' > ')[0];
    await dragged(
        page,
        editor.getByRole('button', { name: 'Move step 1', exact: true }),
        editor.getByRole('row').nth(2),
    );
    await expect.poll(async () => (await notation.inputValue()).split(' > ').at(-1)).toBe(first);
    expect(words).not.toBeNull();

    // Another pencil, by number.
    await editor.getByRole('combobox', { name: 'Pencil of step 1' }).fill('3769');
    await page.getByRole('option', { name: /3769/ }).click();
    await expect(notation).toHaveValue(/^QW:3769@/);

    // A stack that cannot be read is refused by position and the stack stays.
    const stays = await notation.inputValue();
    await notation.fill('QW:6858@30 > QW:4731@');
    await notation.press('Enter');
    await expect(editor.getByText('At character 22: the pressure is missing', { exact: false })).toBeVisible();
    await notation.fill(stays);
    await notation.press('Enter');
    await expect(editor.getByText('At character', { exact: false })).toHaveCount(0);
});

test('an edit of a kept recipe saves itself', async ({ page }) => {
    await openHarbour(page);
    await page.getByRole('button', { name: /Buoy, cream band/ }).click();
    await page.getByRole('button', { name: /Adjust recipe For Buoy, cream band: middle/ }).click();
    const editor = page.getByTestId('editor');
    await editor.getByRole('button', { name: 'Add lift' }).click();
    await expect(editor.getByRole('button', { name: 'Kept for Buoy, cream band: middle' })).toBeVisible();
    await page.reload();
    await page.getByRole('button', { name: 'All recipes' }).click();
    await expect(page.getByRole('article', { name: /For Buoy, cream band/ })).toContainText('eraser, one dab');
});
