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
];

test('a whole round of each drill is answered by keys', async ({ page }) => {
    test.setTimeout(180_000);
    await openDemo(page);
    await page.getByRole('link', { name: 'Practice' }).click();
    await expect(page.getByTestId('skill')).toHaveCount(DRILLS.length);
    await expectSound(page);
    for (const drill of DRILLS) {
        await page.getByRole('button', { name: `Practise: ${drill}` }).click();
        for (let question = 1; question <= 5; question++) {
            await expect(page.getByText(new RegExp(`question ${question} of 5`))).toBeVisible({ timeout: 20_000 });
            const options = await page.getByRole('group', { name: 'Answers' }).getByRole('button').count();
            const isOrder = drill === 'Five by value' || drill === 'Light, middle, dark';
            for (let key = 1; key <= (isOrder ? options : 1); key++) await page.keyboard.press(String(key));
            await expect(page.getByTestId('told')).toContainText(/Right\.|No: /);
            if (question === 1 && (drill === 'Five by value' || drill === 'Which pencil next')) await expectSound(page);
            await expect(page.getByRole('button', { name: 'Next' })).toBeFocused();
            await page.keyboard.press('Enter');
        }
        await expect(page.getByRole('heading', { name: /of 5 right/ })).toBeVisible();
        await page.getByRole('link', { name: 'To all drills' }).click();
    }
    // What was done is counted.
    await page.reload();
    await expect(page.getByTestId('skill').first()).toBeVisible();
});
