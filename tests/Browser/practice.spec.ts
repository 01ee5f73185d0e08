import { expect, expectSound, openDemo, test } from './studio';

const DRILLS = [
    'Value of a patch',
    'Value where the ground deceives',
    'Five by value',
    'Family of a patch',
    'Which way it leans',
    'The complement',
    'Which pencil next',
    'Which was laid first',
    'How many coats',
    'Which two turn muddy',
    'Light, middle, dark',
    'Squint at your photo',
    'A zone by pencil',
];

/** In which more than one answer is chosen: how many, where not all. */
const ORDERS: Record<string, number> = {
    'Five by value': 5,
    'Light, middle, dark': 3,
    'Squint at your photo': 5,
    'A zone by pencil': 3,
};

test('a whole round of each drill is answered by keys', async ({ page }) => {
    test.setTimeout(180_000);
    await openDemo(page);
    await page.getByRole('link', { name: 'Practice' }).click();
    await expect(page.getByTestId('skill')).toHaveCount(DRILLS.length);
    await expectSound(page);
    for (const drill of DRILLS) {
        await page.getByRole('button', { name: `Practise: ${drill}` }).click();
        // Of few zones it is asked a little less.
        const where = page.getByText(/question 1 of [3-5]/);
        await expect(where).toBeVisible({ timeout: 20_000 });
        const questions = Number(/question 1 of (\d)/.exec((await where.textContent()) ?? '')?.[1]);
        for (let question = 1; question <= questions; question++) {
            await expect(page.getByText(new RegExp(`question ${question} of`))).toBeVisible({ timeout: 20_000 });
            for (let key = 1; key <= (ORDERS[drill] ?? 1); key++) await page.keyboard.press(String(key));
            await expect(page.getByTestId('told')).toContainText(/Right\.|No: /);
            if (question === 1 && ['Five by value', 'Which pencil next', 'A zone by pencil'].includes(drill))
                await expectSound(page);
            await expect(page.getByRole('button', { name: 'Next' })).toBeFocused();
            await page.keyboard.press('Enter');
        }
        await expect(page.getByRole('heading', { name: /of [3-5] right/ })).toBeVisible();
        await page.getByRole('link', { name: 'To all drills' }).click();
    }
    // What was done is counted.
    await page.reload();
    await expect(page.getByTestId('skill').first()).toBeVisible();
});

test('the palette of the week is planned, and compared with the engine’s plan', async ({ page }) => {
    await openDemo(page);
    await page.getByRole('link', { name: 'Practice' }).click();
    await page.getByRole('link', { name: 'Palette of the week' }).click();
    await expect(page.getByRole('heading', { level: 1, name: /^No .+ this week: mix it\.$/ })).toBeVisible();
    const compare = page.getByRole('button', { name: 'Compare with the engine' });
    await expect(compare).toBeDisabled();
    for (const role of ['light', 'middle', 'dark']) {
        await page.getByRole('button', { name: `Add layer to the ${role}` }).click();
        await expect(
            page.getByRole('group', { name: `What you lay for the ${role}` }).getByRole('slider'),
        ).toBeVisible();
    }
    await expectSound(page);
    await compare.click();
    await expect(page.getByRole('heading', { name: /^[0-3] of 3 as near as the engine$/ })).toBeVisible();
    await expect(page.getByText('The engine', { exact: true })).toHaveCount(3);
    await expectSound(page);
    // It is there again, until the week is over.
    await page.reload();
    await expect(page.getByRole('heading', { name: /as near as the engine$/ })).toBeVisible();
});
