import { readFileSync } from 'node:fs';
import type { Page } from '@playwright/test';
import { expect, expectSound, newArtist, openDemo, send, test } from './studio';

const HEADER = 'range,number,name,binder,aliases,status,L,a,b\n';
const BAD = `${HEADER}HS,10,Hawser,oil,Old Hawser,current,48,6,20\nHS,11,Bollard,tar,,current,30,2,4\nHS,12,Fender,wax,,current,thirty,2,4\nQW,6858,Stolen,wax,,current,30,2,4\n`;
const GOOD = `${HEADER}HS,10,Hawser,oil,Old Hawser,current,48,6,20\nHS,11,Bollard,oil,,current,30,2,4\nHS,12,Fender,wax,,discontinued,30,20,4\n`;

async function chooseFile(page: Page, button: string | RegExp, name: string, text: string) {
    const choosing = page.waitForEvent('filechooser');
    await page.getByRole('button', { name: button }).click();
    await (await choosing).setFiles({ name, mimeType: 'text/csv', buffer: Buffer.from(text) });
}

/** Chooses in one of our selects. */
async function pick(page: Page, label: RegExp, option: string | RegExp) {
    await page.getByRole('button', { name: label }).click();
    await page.getByRole('option', { name: option }).click();
}

test('a file with three bad rows is refused, each named; mended, it is taken in', async ({ page }) => {
    await newArtist(page, 'Importer');
    await page.getByRole('navigation', { name: 'Places' }).getByRole('link', { name: 'Pencils' }).click();
    await page.getByRole('link', { name: 'Import and export' }).click();
    await chooseFile(page, 'Choose a file', 'harbour.csv', BAD);
    const bad = page.getByTestId('bad-rows').locator('tbody tr');
    await expect(bad).toHaveCount(3);
    await expect(bad.nth(0)).toContainText('3binder');
    await expect(bad.nth(0)).toContainText('Write wax or oil.');
    await expect(bad.nth(1)).toContainText('thirty');
    await expect(bad.nth(2)).toContainText('Range QW ships with the studio');
    await expect(page.getByRole('button', { name: /Take in/ })).toHaveCount(0);

    await chooseFile(page, 'Choose another file', 'harbour.csv', GOOD);
    await expect(page.getByTestId('bad-rows')).toHaveCount(0);
    await expect(page.getByRole('heading', { name: /3 new, 0 changed/ })).toBeVisible();
    await page.getByText('Into my box too').click();
    await page.getByRole('button', { name: 'Take in 3 pencils' }).click();
    await expect(page.getByText('3 pencils were taken in.')).toBeVisible();

    // They are in the roll, found by an old name, and go out again as they came.
    await page.getByRole('link', { name: 'The roll' }).click();
    await page.getByLabel('Number, name, old name, family').fill('old hawser');
    await expect(page.getByRole('row')).toHaveCount(1);
    await page.getByRole('row').click();
    await expect(page.getByRole('heading', { level: 1 })).toContainText('Hawser');
    const file = await page.request.get('/api/pencils.csv?range=HS');
    expect(await file.text()).toContain('HS,12,Fender,wax,,discontinued');

    // Changed on its page, by its owner.
    await page.getByRole('button', { name: 'Change' }).click();
    await page.getByRole('textbox', { name: 'Name', exact: true }).fill('Tarred Hawser');
    await page.getByRole('button', { name: 'Save' }).click();
    await expect(page.getByRole('heading', { level: 1 })).toContainText('Tarred Hawser');
});

test('the roll is walked by keyboard, filtered, and ticked into the box', async ({ page }) => {
    await newArtist(page, 'Walker');
    await page.goto('/pencils?range=QW');
    await expect(page.getByRole('heading', { name: /Your box is empty/ })).toBeVisible();
    await page.getByRole('grid', { name: 'Pencils' }).focus();
    await page.keyboard.press('ArrowRight');
    await page.keyboard.press('ArrowLeft');
    await page.keyboard.press('Enter');
    await expect(page).toHaveURL(/\/pencils\/QW:/);
    await page.getByText('In my box').click();
    await page.getByRole('link', { name: 'The roll' }).click();
    await expect(page.getByRole('heading', { name: '1 pencil in your box' })).toBeVisible();
    await page.getByLabel(/Nearest to/).fill('#2050a0');
    await expect(
        page
            .getByText('on target')
            .or(page.getByText(/too (dark|light|dull|clean)|leans/))
            .first(),
    ).toBeVisible();
    await page.getByLabel(/Nearest to/).fill('not a colour');
    await expect(page.getByText(/is not a colour; write it as/)).toBeVisible();
});

test('the audit is cancelled on the way; begun again it draws the holes, names what to buy and how few would do', async ({
    page,
}) => {
    await openDemo(page);
    // One piece is enough: the more there is to look through, the longer it takes.
    for (const title of ['Lantern and rope', 'Three glazed jugs']) {
        const link = page.getByRole('link', { name: title }).first();
        await send(page, 'DELETE', `/api${(await link.getAttribute('href'))?.match(/\/pieces\/\w+/)?.[0] ?? ''}`);
    }
    await page.goto('/pencils/audit');
    await page.getByRole('button', { name: /Check the box/ }).click();
    await page.getByTestId('progress').getByRole('button', { name: 'Cancel' }).click();
    await expect(page.getByText('Cancelled.')).toBeVisible();
    await page.getByRole('button', { name: /Check the box/ }).click();
    await expect(page.getByTestId('progress')).toBeVisible();
    await expect(page.getByTestId('reached')).toBeVisible({ timeout: 60_000 });
    await expect(page.getByRole('img', { name: /Holes of the box on the wheel/ })).toBeVisible();
    await expect(page.getByRole('img', { name: /step 5: \d+ made/ })).toBeVisible();
    const next = page
        .getByRole('heading', { name: /Worth buying next/ })
        .locator('..')
        .getByRole('listitem');
    await expect(next).toHaveCount(3);
    await expect(page.getByTestId('best').getByRole('link')).toHaveCount(12);
    await pick(page, /The best/, /^6 of your box/);
    await expect(page.getByTestId('best').getByRole('link')).toHaveCount(6);
    await expectSound(page);
    // What was found is still there after a reload.
    await page.reload();
    await expect(page.getByTestId('reached')).toBeVisible();
});

test('what to take instead of a pencil and of a recipe, in words', async ({ page }) => {
    await openDemo(page);
    await page.goto('/pencils/instead');
    await page.getByLabel(/Pencils or recipes/).fill('LO:1781\nQW:9723@50 > QW:6858@40\nsome blue');
    await page.getByRole('button', { name: 'Find' }).click();
    await expect(page.getByTestId('bad-rows')).toContainText('some blue');
    await page.getByLabel(/Pencils or recipes/).fill('LO:1781\nQW:9723@50 > QW:6858@40');
    await page.getByRole('button', { name: 'Find' }).click();
    const found = page.getByTestId('substitutes');
    await expect(found.getByRole('heading', { name: /Substitutes for 1781/ })).toBeVisible();
    await expect(found.getByText('Nearest pencil')).toBeVisible();
    await expect(found.getByRole('row', { name: /heavy, mix/ })).toContainText(/dE00 \d/);
    await expect(found.getByRole('row', { name: /pencil for pencil/ })).toContainText('6858 40 % light');
    await expect(found.getByTestId('rests-on')).toContainText('Predicted by calibration');
});

test('a chart is printed, filled, read, and calibrated on: the error falls and a recipe changes', async ({ page }) => {
    test.setTimeout(180_000);
    await newArtist(page, 'Swatcher');
    // A box of six, a piece with a recipe.
    for (const id of ['QW:6858', 'QW:5892', 'QW:7432', 'QW:2794', 'QW:4863', 'QW:3769']) {
        await page.goto(`/pencils/${id}`);
        await page.getByText('In my box').click();
        await expect(page.getByLabel('In my box').first()).toBeChecked();
    }
    await page.goto('/pieces');
    await page
        .getByRole('button', { name: /demo piece/i })
        .first()
        .click();
    await page.goto('/swatches/calibration');
    await expect(page.getByTestId('in-force')).toContainText('Not calibrated yet');

    // Print.
    await page.getByRole('link', { name: 'Lay out a chart' }).click();
    await expect(page.getByText('19 fields')).toBeVisible();
    await page.getByRole('button', { name: 'Lay it out' }).click();
    await expect(page.getByRole('img', { name: 'Sheet 1 as it is printed' })).toBeVisible();
    const pdf = await page.request.get(
        (await page.getByRole('link', { name: 'Print (PDF)' }).getAttribute('href')) ?? '',
    );
    expect(pdf.headers()['content-type']).toBe('application/pdf');

    // A picture of something else is refused.
    const choosing = page.waitForEvent('filechooser');
    await page.getByRole('button', { name: 'Read a picture of it' }).click();
    await (
        await choosing
    ).setFiles({ name: 'x.jpg', mimeType: 'image/jpeg', buffer: readFileSync('database/demo/harbour.jpg') });
    await expect(page.getByRole('alert')).toContainText(/corner marks/);

    // Fill by the simulated studio, read the picture back.
    await page.getByRole('button', { name: /Have the simulated studio fill/ }).click();
    await page.getByRole('button', { name: /Read the simulated picture/ }).click({ timeout: 30_000 });
    const reading = page.getByTestId('reading');
    await expect(reading).toContainText('19 fields read', { timeout: 20_000 });
    await expect(reading).toContainText('This picture is simulated.');
    await reading.getByRole('button', { name: /Write \d+ swatches/ }).click();
    await expect(page.getByRole('link', { name: /swatches came from it/ })).toBeVisible();

    // Calibrate: the error falls, and recipes change.
    await page.getByRole('link', { name: 'Calibration' }).click();
    await page.getByRole('button', { name: /Calibrate on 1\d swatches/ }).click();
    await expect(page.getByTestId('in-force')).toContainText('Calibration 1 is in use', { timeout: 60_000 });
    const row = page.getByTestId('calibrations').locator('tbody tr').first();
    const [before, after] = [await row.locator('td').nth(3).innerText(), await row.locator('td').nth(4).innerText()];
    expect(Number(after)).toBeLessThan(Number(before));
    const shifted = page.getByTestId('shifted');
    await expect(shifted).toContainText(/^[1-9]\d* of your \d+ recipes shifts? by more than dE00 2/);

    // Searched again, recipes rest on the new calibration; and the old one can be had back.
    await page.getByRole('button', { name: /Search \d+ again/ }).click();
    await expect(page.getByText(/Searched \d+; \d+ have another recipe now/)).toBeVisible({ timeout: 60_000 });
    await page.goto('/pencils/QW:6858');
    await expect(page.getByTestId('rests-on')).toContainText('calibration 1');
    await page.goto('/swatches/calibration');
    await page.getByRole('button', { name: 'Go back to these' }).click();
    await expect(page.getByTestId('in-force')).toContainText('Not calibrated yet');
    await page.getByRole('button', { name: 'Go back to 1' }).click();
    await expect(page.getByTestId('in-force')).toContainText('Calibration 1 is in use');
});

test('swatches are typed, found, noted, taken out and put back', async ({ page }) => {
    await newArtist(page, 'Writer');
    await page.getByRole('link', { name: 'Swatches' }).click();
    await expect(page.getByRole('heading', { name: 'The book is empty' })).toBeVisible();
    await page.getByRole('button', { name: 'New swatch' }).click();
    await page.getByLabel(/What was laid/).fill('QW:6858@40 > QW:5892@95');
    await page.getByLabel(/Colour that was read/).fill('greenish');
    await page.getByRole('button', { name: 'Save' }).click();
    await expect(page.getByText(/is not a colour/)).toBeVisible();
    await page.getByLabel(/Colour that was read/).fill('62 -8 20');
    await page.getByRole('button', { name: 'Save' }).click();
    await expect(page.getByTestId('count')).toHaveText('1 swatch');
    await page.getByRole('button', { name: 'Close', exact: true }).first().click();
    await page.goto('/swatches?technique=burnish&pencil=5892&view=page');
    await expect(page.getByTestId('count')).toHaveText('1 swatch found');
    await page.getByLabel(/Note to 6858/).fill('over-worked');
    await page.getByLabel(/Note to 6858/).blur();
    await page.reload();
    await expect(page.getByLabel(/Note to 6858/)).toHaveValue('over-worked');
    await page.getByRole('button', { name: /Take out 6858/ }).click();
    await expect(page.getByText('No swatch answers to that.')).toBeVisible();
    await page.getByRole('button', { name: 'Take back' }).click();
    await expect(page.getByTestId('count')).toHaveText('1 swatch found');

    // From an instrument, with a bad row.
    const cgats = (name: string) =>
        `CGATS.17\nBEGIN_DATA_FORMAT\nSAMPLE_NAME LAB_L LAB_A LAB_B\nEND_DATA_FORMAT\nBEGIN_DATA\n"QW:6858@60" 60 5 -40\n"${name}" 70 20 30\nEND_DATA\n`;
    await page.getByRole('button', { name: 'From a file' }).click();
    await chooseFile(page, 'Choose a file', 'readings.txt', cgats('QW:9999@60'));
    await expect(page.getByTestId('bad-rows')).toContainText('There is no pencil QW:9999');
    await chooseFile(page, 'Choose another file', 'readings.txt', cgats('QW:7432@60'));
    await page.getByRole('button', { name: 'Take in 2 swatches' }).click();
    await page.goto('/swatches');
    await expect(page.getByTestId('count')).toHaveText('3 swatches');
});

test('a pencil is written down by hand; what is wrong with it is said at its field', async ({ page }) => {
    await newArtist(page, 'Scribe');
    await page.getByRole('navigation', { name: 'Places' }).getByRole('link', { name: 'Pencils' }).click();
    await page.getByRole('button', { name: 'New pencil' }).click();
    const sheet = page.getByRole('dialog', { name: 'New pencil' });
    await sheet.getByLabel('Range code').fill('QW');
    await sheet.getByLabel('Number on the barrel').fill('9001');
    await sheet.getByRole('button', { name: /^Save/ }).click();
    await expect(sheet.getByRole('alert')).toContainText('Range QW ships with the studio and stays as it is.');
    await sheet.getByLabel('Range code').fill('HS');
    await sheet.getByLabel(/Colour of a heavy coat/).fill('rather blue');
    await sheet.getByRole('button', { name: /^Save/ }).click();
    await expect(sheet.getByText(/"rather blue" is not a colour/)).toBeVisible();
    await sheet.getByLabel(/Colour of a heavy coat/).fill('40 10 -45');
    await sheet.getByLabel('Name', { exact: true }).fill('Own Blue');
    await sheet.getByRole('button', { name: /^Save/ }).click();
    await expect(sheet.getByRole('status')).toContainText('9001 is in your box');
    await sheet.getByRole('button', { name: 'Done' }).click();
    await page.goto('/pencils/HS:9001');
    await expect(page.getByRole('img', { name: /^heavy: blue/ })).toBeVisible();

    // Taken away and taken back.
    await page.getByRole('button', { name: 'Take away' }).click();
    await expect(page).toHaveURL(/\/pencils$/);
    await page.getByRole('button', { name: 'Take back' }).click();
    await page.goto('/pencils/HS:9001');
    await expect(page.getByRole('heading', { level: 1 })).toContainText('Own Blue');
});

test('another artist sees nothing of it', async ({ page, browser, baseURL }) => {
    await newArtist(page, 'Owner');
    await page.goto('/swatches');
    await page.getByRole('button', { name: 'New swatch' }).click();
    await page.getByLabel(/What was laid/).fill('QW:6858@40');
    await page.getByLabel(/Colour that was read/).fill('70 2 -20');
    await page.getByRole('button', { name: 'Save' }).click();
    await expect(page.getByTestId('count')).toHaveText('1 swatch');
    const context = await browser.newContext({ baseURL: baseURL ?? '' });
    const stranger = await context.newPage();
    await newArtist(stranger, 'Stranger');
    await stranger.goto('/swatches');
    await expect(stranger.getByTestId('count')).toHaveText('0 swatches');
    expect((await stranger.request.get('/api/swatches.csv')).status()).toBe(200);
    expect(await (await stranger.request.get('/api/swatches.csv')).text()).not.toContain('QW:6858');
    await context.close();
});
