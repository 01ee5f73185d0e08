import { expect, expectSound, openDemo, sampleAt, test } from './studio';

const PHOTO = 'database/demo/harbour.jpg';

test('a photo of one\u2019s own becomes a piece; what is no photo is refused in words', async ({ page }) => {
    await openDemo(page);
    await page.getByRole('link', { name: 'New piece' }).click();
    await page.setInputFiles('input[type=file]', {
        name: 'notes.jpg',
        mimeType: 'image/jpeg',
        buffer: Buffer.from('no picture'),
    });
    await page
        .getByLabel('Title')
        .fill(
            'A very long title of a piece that an artist gave it without a thought for the width of any card or screen',
        );
    await page.getByRole('button', { name: 'Start' }).click();
    await expect(page.getByText('This file is not a picture that can be read here', { exact: false })).toBeVisible();

    await page.setInputFiles('input[type=file]', PHOTO);
    await page.getByRole('button', { name: 'Start' }).click();
    await expect(page.getByText('Click the photo.', { exact: false })).toBeVisible();
    await expect(page.getByRole('toolbar', { name: 'Zones' }).getByRole('button').nth(8)).toBeVisible({
        timeout: 30_000,
    });
    await page.getByRole('link', { name: '2 Match' }).click();
    await sampleAt(page, 0.64, 0.33);
    await expect(page.getByTestId('recipe').first()).toBeVisible();
    await page.getByRole('link', { name: '3 Plan' }).click();
    await expect(page.getByText('Nothing to plan yet', { exact: false })).toBeVisible();

    // Removed, and taken back.
    await page.goto('/pieces');
    await page.getByRole('button', { name: /More of A very long title/ }).click();
    await page.getByRole('menuitem', { name: 'Remove' }).click();
    await expect(page.getByRole('heading', { name: /A very long title/ })).toHaveCount(0);
    await page.getByRole('button', { name: 'Take back' }).click();
    await expect(page.getByRole('heading', { name: /A very long title/ })).toBeVisible();
});

test('a new studio starts with an empty box and says what to do', async ({ page }) => {
    await page.goto('/');
    await page.getByLabel('E-mail').fill('nobody@example.org');
    await page.getByLabel('Password').fill('not the password');
    await page.getByRole('button', { name: 'Sign in' }).click();
    await expect(page.getByText('No studio has this e-mail with this password.')).toBeVisible();

    await page.getByRole('link', { name: 'New studio' }).click();
    await page.getByLabel('Your name').fill('Ines');
    await page.getByLabel('E-mail').fill('ines at example');
    await page.getByLabel('Password, 10 characters or more').fill('short');
    await page.getByLabel('Password again').fill('short');
    await page.getByRole('button', { name: 'Open the studio' }).click();
    await expect(page.getByText('at least 10 characters', { exact: false })).toBeVisible();
    await expect(page.getByText('one is written like ana@example.org')).toBeVisible();
    await page.getByLabel('E-mail').fill(`ines-${Date.now()}@example.org`);
    await page.getByLabel('Password, 10 characters or more').fill('ten pencils');
    await page.getByLabel('Password again').fill('ten pencils');
    await page.getByRole('button', { name: 'Open the studio' }).click();
    await page.getByRole('button', { name: 'Straight to the studio' }).click();
    await expect(page.getByText('No pieces yet')).toBeVisible();
    await expect(page.getByTestId('road')).toContainText('Say which pencils you have');
    await expectSound(page);
    await page.getByTestId('road').getByRole('link', { name: 'Pencils' }).first().click();
    await expect(page.getByRole('heading', { name: 'Which pencils do you have?' })).toBeVisible();
    await page.goto('/pencils?box=1');
    await expect(page.getByRole('heading', { name: 'Your box is empty' })).toBeVisible();
    await page.goto('/pencils/numbers');
    // Their numbers as they stand on the barrels: one that the range has not is named, and nothing comes into the box.
    const numbers = page.getByLabel('Numbers, as they stand on the barrels');
    await numbers.fill('6858, 1823\n9998');
    await page.getByRole('button', { name: 'Look them up' }).click();
    await expect(page.getByTestId('bad-rows').locator('tbody tr')).toContainText('QW has no pencil 9998.');
    await numbers.fill('6858, 1823\n5800-5930 ');
    await page.getByRole('button', { name: 'Look them up' }).click();
    await page.getByRole('button', { name: /^Put all \d into my box/ }).click();
    await expect(page.getByText(/\d pencils in your box\./)).toBeVisible();
    await page.goto('/pieces');
    await page.getByRole('button', { name: 'Try the demo piece' }).click();
    // Its photo is read and its zones are cut first, and it is planned with the box there is.
    await expect(page.getByTestId('picture')).toBeVisible({ timeout: 60_000 });
    await sampleAt(page, 0.64, 0.33);
    await expect(page.getByTestId('recipe').first()).toBeVisible();

    // From the colour straight to pencils, what is not in the box too.
    await page.getByRole('button', { name: 'Nearest pencils' }).click();
    await expect(page.getByRole('dialog').getByRole('link')).toHaveCount(13);
    await expectSound(page);
    await page.keyboard.press('Escape');

    await page.getByRole('button', { name: /Sign out/ }).click();
    await expect(page.getByRole('heading', { name: 'Sign in' })).toBeVisible();
});

test('another artist\u2019s piece is not there', async ({ page, browser, baseURL }) => {
    await openDemo(page);
    const href = await page.getByRole('link', { name: 'Floats and buoy on planks', exact: true }).getAttribute('href');
    const stranger = await (await browser.newContext({ baseURL })).newPage();
    await stranger.goto('/register');
    await stranger.getByLabel('Your name').fill('Otto');
    await stranger.getByLabel('E-mail').fill(`otto-${Date.now()}@example.org`);
    await stranger.getByLabel('Password, 10 characters or more').fill('ten pencils');
    await stranger.getByLabel('Password again').fill('ten pencils');
    await stranger.getByRole('button', { name: 'Open the studio' }).click();
    await expect(stranger.getByRole('heading', { name: 'Which pencils do you have?' })).toBeVisible();
    await stranger.goto(href ?? '');
    await expect(stranger.getByText('There is no such piece in your studio.')).toBeVisible();
});
