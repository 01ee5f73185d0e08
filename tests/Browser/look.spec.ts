import { clickAt, expect, expectSoundEverywhere, openHarbour, openJugs, placeOf, sampleAt, test } from './studio';

const strip = 'Zones';

test('zones follow the slider at once, are cut when it is let go, and taken back', async ({ page }) => {
    await openJugs(page);
    const zones = page.getByRole('toolbar', { name: strip }).getByRole('button');
    const before = await zones.count();
    expect(before).toBeGreaterThan(8);
    const slider = page.getByRole('slider', { name: 'Zones, fewer or more' });
    await slider.focus();
    for (let i = 0; i < 3; i++) await page.keyboard.press('ArrowRight');
    await expect(zones).toHaveCount(before + 3);
    await page.getByRole('button', { name: 'Undo' }).click();
    await expect(page.getByText(/Taken back/)).toBeVisible();
    await expect(zones).toHaveCount(before);

    // While it is held, only the picture changes.
    const thumb = await slider.locator('xpath=ancestor::*[contains(@class,"thumb")]').boundingBox();
    if (!thumb) throw new Error('There is no slider.');
    await page.mouse.move(thumb.x + 8, thumb.y + 8);
    await page.mouse.down();
    await page.mouse.move(thumb.x + 120, thumb.y + 8, { steps: 4 });
    await expect(page.getByTestId('cut-preview')).toBeAttached();
    await expect(zones).toHaveCount(before);
    await page.mouse.up();
    await expect.poll(() => zones.count()).toBeGreaterThan(before + 5);
    await expect(page.getByTestId('cut-preview')).toHaveCount(0);
});

test('a click chooses a zone; it is named, corrected, merged, split and drawn by hand', async ({ page }) => {
    await openJugs(page);
    const zones = page.getByRole('toolbar', { name: strip }).getByRole('button');
    await clickAt(page, 0.22, 0.45);
    await expect(page.getByTestId('zone-outline')).toBeAttached();
    const name = page.getByLabel('Name of the zone');
    await expect(name).toHaveValue(/blue/);
    await name.fill('Blue jug');
    await page.getByRole('button', { name: 'Rename' }).click();
    await expect(page.getByText('Renamed to Blue jug', { exact: true })).toBeVisible();

    await page.getByRole('button', { name: /Surface \(estimated\)/ }).click();
    await page.getByRole('option', { name: 'Rough' }).click();
    await expect(page.getByRole('button', { name: 'Surface', exact: false }).first()).toContainText('Rough');
    await page.getByRole('button', { name: 'Back to the estimates' }).click();
    await expect(page.getByRole('button', { name: 'Back to the estimates' })).toHaveCount(0);

    // Merged with the wall behind it, and taken back.
    const count = await zones.count();
    await page.getByRole('button', { name: 'Merge with' }).click();
    await expect(page.getByTestId('task')).toContainText('become part of Blue jug');
    await clickAt(page, 0.5, 0.1);
    await expect(zones).toHaveCount(count - 1);
    await page.getByRole('button', { name: 'Undo', exact: true }).click();
    await expect(zones).toHaveCount(count);

    // A tool can be put down again.
    await page.getByRole('button', { name: 'Draw a zone' }).click();
    await page.getByRole('button', { name: 'Cancel' }).click();
    await expect(page.getByTestId('task')).toHaveCount(0);

    const draw = async (corners: [number, number][]) => {
        for (const [i, [x, y]] of corners.entries()) {
            const place = await placeOf(page, x, y);
            await page.mouse.move(place.x, place.y, { steps: 6 });
            if (i === 0) await page.mouse.down();
        }
        await page.mouse.up();
    };
    await page.getByRole('button', { name: 'Draw a zone' }).click();
    await draw([
        [0.7, 0.1],
        [0.85, 0.1],
        [0.85, 0.2],
        [0.7, 0.2],
        [0.7, 0.1],
    ]);
    await expect(zones).toHaveCount(count + 1);
    await clickAt(page, 0.77, 0.15);
    await expect(name).toHaveValue(/upper right/);
    await page.getByRole('button', { name: 'Add by lasso' }).click();
    await draw([
        [0.8, 0.12],
        [0.95, 0.12],
        [0.95, 0.18],
        [0.8, 0.18],
    ]);
    await expect(page.getByText(/^Added to/)).toBeVisible();
    await clickAt(page, 0.92, 0.15);
    await expect(name).toHaveValue(/upper right/);
    await page.getByRole('button', { name: 'Take by lasso' }).click();
    await draw([
        [0.1, 0.8],
        [0.2, 0.8],
        [0.2, 0.9],
    ]);
    await expect(page.getByText('The lasso took nothing', { exact: false })).toBeVisible();

    // A large zone is split in two.
    await clickAt(page, 0.1, 0.9);
    await page.getByRole('button', { name: 'Split' }).click();
    await expect(zones).toHaveCount(count + 2);
});

test('the colours of a zone are found, set, added and removed', async ({ page }) => {
    await openJugs(page);
    await clickAt(page, 0.5, 0.55);
    const colours = page.getByTestId('zone').getByRole('table');
    await expect(colours.getByRole('row').nth(1)).toBeVisible();
    const before = await colours.getByRole('row').count();
    await page.getByRole('button', { name: 'Set middle' }).click();
    await page.getByLabel('L', { exact: true }).fill('sixty');
    await page.getByRole('button', { name: 'Set', exact: true }).last().click();
    await expect(page.getByText('L, a and b are numbers', { exact: false })).toBeVisible();
    await page.getByLabel('L', { exact: true }).fill('61,5');
    await page.getByRole('button', { name: 'Set', exact: true }).last().click();
    await expect(page.getByTestId('reading')).toContainText('L 61.5');
    // Saved, the form closes.
    await expect(page.getByLabel('L', { exact: true })).toHaveCount(0);
    await page.getByRole('button', { name: 'Set middle' }).click();
    await page.getByRole('button', { name: 'As in the photo' }).click();
    await expect(page.getByTestId('reading')).not.toContainText('L 61.5');

    await page.getByRole('button', { name: 'Sample it' }).click();
    await clickAt(page, 0.47, 0.5);
    await expect(colours.getByRole('row')).toHaveCount(before + 1);
    await page.getByRole('button', { name: 'Remove accent' }).last().click();
    await expect(colours.getByRole('row')).toHaveCount(before);
    await page.getByRole('button', { name: 'Take back' }).click();
    await expect(colours.getByRole('row')).toHaveCount(before + 1);
});

test('values are read in steps, one step alone, squinting; and brought within reach', async ({ page }) => {
    await openJugs(page);
    await page.getByRole('tab', { name: 'Values' }).click();
    const photo = page.getByTestId('photo');
    await page.getByRole('radio', { name: '3', exact: true }).click();
    await expect(page).toHaveURL(/steps=3/);
    expect(await photo.evaluate((image) => getComputedStyle(image).filter)).toContain('prism-steps');
    await page.getByRole('button', { name: 'Step 1 alone' }).click();
    expect(await photo.evaluate((image) => getComputedStyle(image).filter)).toContain('prism-only');
    await page.getByRole('button', { name: 'Step 1 alone' }).click();
    await page.getByRole('slider', { name: 'Squint' }).focus();
    for (let i = 0; i < 6; i++) await page.keyboard.press('ArrowRight');
    expect(await photo.evaluate((image) => getComputedStyle(image).filter)).toContain('blur');
    await expect(
        page.getByRole('img', { name: /The photo has L \d+ to \d+; paper and box reach L \d+ to \d+/ }),
    ).toBeVisible();
    await page.getByRole('radio', { name: 'Compress' }).click();
    await expect(page.getByTestId('tone')).toContainText('every step stays a step');
    await page.reload();
    await expect(page.getByTestId('tone')).toContainText('every step stays a step');
    await page.getByRole('button', { name: /Darkest 1/ }).click();
    await expect(page.getByTestId('reading')).toBeVisible();
    await page.getByRole('button', { name: /More of the view/ }).click();
    for (const name of ['Mirror', 'Upside down', 'Grid']) {
        await page.getByRole('button', { name, exact: true }).click();
        await expect(page.getByRole('button', { name, exact: true })).toHaveAttribute('aria-pressed', 'true');
    }
    await expect(page.getByTestId('grid')).toBeAttached();
});

test('light: balance by a neutral, lamp, direction, warm and cool, what stays paper', async ({ page }) => {
    await openJugs(page);
    await page.getByRole('tab', { name: 'Light' }).click();
    await expect(page.getByTestId('balance')).toHaveText('As the camera saw it.');
    const seen = () => page.getByTestId('photo').getAttribute('src');
    const first = await seen();
    await page.getByRole('button', { name: 'By a neutral' }).click();
    await clickAt(page, 0.8, 0.6);
    await expect(page.getByTestId('balance')).toHaveText('Told by a neutral patch.', { timeout: 60_000 });
    expect(await seen()).not.toBe(first);
    await page.getByRole('button', { name: 'By a neutral' }).click();
    await clickAt(page, 0.52, 0.55);
    await expect(page.getByText('This patch is no grey under any lamp', { exact: false })).toBeVisible();
    await page.getByRole('button', { name: 'As the camera saw it' }).click();
    await expect(page.getByTestId('balance')).toHaveText('As the camera saw it.', { timeout: 60_000 });

    await page.getByRole('button', { name: /You draw under/ }).click();
    await page.getByRole('option', { name: 'Warm lamp' }).click();
    await expect(page.getByRole('button', { name: /More of the view: .*Under lamp/ })).toBeVisible();
    await expect
        .poll(() => page.getByTestId('photo').evaluate((image) => getComputedStyle(image).filter))
        .toContain('prism-lamp');

    // The photo is read anew in its light; what is said before that is over would be an estimate again.
    await page.waitForLoadState('networkidle');
    await page.getByRole('slider', { name: 'Correct it' }).focus();
    await page.keyboard.press('End');
    await expect(page.getByTestId('light')).toContainText('as you say');
    await page.getByRole('button', { name: 'Back to the estimate' }).click();
    await expect(page.getByTestId('light')).toContainText('an estimate');
    await page.getByRole('button', { name: 'Show warm and cool' }).click();
    await expect(page.getByTestId('photo')).toHaveAttribute('src', /temperature/);

    // Looked for by itself, once.
    await page.getByRole('button', { name: 'Show them in the photo' }).click({ timeout: 30_000 });
    await expect(page.getByTestId('reserves')).toBeVisible();
    await page.getByRole('button', { name: /Highlights/ }).click();
    await page.getByRole('option', { name: 'Impress' }).click();
    await expect(page.getByText('Press the light into the paper', { exact: false }).first()).toBeVisible();
});

test('several references, and the same spot in each', async ({ page }) => {
    await openJugs(page);
    await page.getByRole('tab', { name: 'References' }).click();
    await page.setInputFiles('[role=tabpanel] section:last-of-type input[type=file]', {
        name: 'notes.jpg',
        mimeType: 'image/jpeg',
        buffer: Buffer.from('no picture'),
    });
    await expect(page.getByText('This file is not a picture', { exact: false })).toBeVisible();
    await page.setInputFiles('[role=tabpanel] section:last-of-type input[type=file]', 'database/demo/lantern.jpg');
    await expect(page.getByTestId('reference')).toHaveCount(2);
    await sampleAt(page, 0.3, 0.3);
    await expect(page.getByTestId('same-spot').getByRole('listitem')).toHaveCount(2);
    await page.getByRole('button', { name: 'Align by a spot' }).click();
    await clickAt(page, 0.5, 0.5);
    await page.getByRole('button', { name: /Click the same spot in lantern/ }).click();
    await expect(page.getByText('Aligned by 1 pair of spots.')).toBeVisible();
    await page.getByTestId('reference').nth(1).getByRole('button', { name: 'Remove' }).click();
    await expect(page.getByTestId('reference')).toHaveCount(1);
    await page.getByRole('button', { name: 'Take back' }).click();
    await expect(page.getByTestId('reference')).toHaveCount(2);

    // Another photo in the place of the first: zones that still fit stay.
    await page.setInputFiles('[data-testid=reference] >> nth=0 >> input[type=file]', 'database/demo/harbour.jpg');
    await page.getByRole('tab', { name: 'Zones' }).click();
    await expect(page.getByRole('slider', { name: 'Zones, fewer or more' })).toBeVisible({ timeout: 30_000 });
    await expect(page.getByRole('toolbar', { name: strip }).getByRole('button').nth(8)).toBeVisible();
});

test('the sheet: crop to a format, size, and a print in true size', async ({ page }) => {
    await openJugs(page);
    await page.getByRole('tab', { name: 'Format' }).click();
    await page.getByRole('button', { name: /Crop to the format/ }).click();
    await page.getByRole('option', { name: 'Square, 200 mm' }).click();
    const crop = page.getByTestId('crop');
    await crop.focus();
    await page.keyboard.press('ArrowLeft');
    await page.getByRole('button', { name: 'Crop here' }).click();
    await expect(page.getByTestId('size')).toHaveText('200 × 200 mm on the paper, cropped.');
    await expect
        .poll(() => page.getByTestId('picture').evaluate((frame) => frame.clientWidth / frame.clientHeight))
        .toBeCloseTo(1, 1);
    await page.getByLabel('Width, mm').fill('wide');
    await page.getByRole('button', { name: 'Set', exact: true }).click();
    await expect(page.getByText('A length, such as 240')).toBeVisible();
    await page.getByLabel('Width, mm').fill('5');
    await page.getByRole('button', { name: 'Set', exact: true }).click();
    await expect(page.getByText('A drawing is from 20 to 1500 mm on a side.')).toBeVisible();
    await page.getByLabel('Width, mm').fill('300');
    await page.getByRole('button', { name: 'Set', exact: true }).click();
    await expect(page.getByTestId('size')).toHaveText('300 × 300 mm on the paper, cropped.');
    await page.getByRole('radio', { name: 'inch' }).click();
    await expect(page.getByTestId('size')).toContainText('11.81 × 11.81 in');
    const print = await page.request.get(
        (await page.getByRole('link', { name: 'Transfer print, A4' }).getAttribute('href')) ?? '',
    );
    expect(print.headers()['content-type']).toBe('application/pdf');
    await page.getByRole('button', { name: 'The whole photo' }).click();
    await expect(page.getByTestId('size')).toContainText('the whole photo');
});

test('the picture is enlarged by wheel and keys, and moved by dragging', async ({ page }) => {
    await openHarbour(page);
    const sheet = page.getByTestId('sheet');
    const middle = await placeOf(page, 0.5, 0.5);
    await page.mouse.move(middle.x, middle.y);
    await page.mouse.wheel(0, -500);
    await expect.poll(async () => Number(await sheet.getAttribute('data-zoom'))).toBeGreaterThan(1.5);
    await expect(page.getByTestId('photo')).toHaveAttribute('src', /large/);
    const url = page.url();
    const left = () => page.getByTestId('photo').evaluate((image) => image.getBoundingClientRect().left);
    const before = await left();
    await page.mouse.down();
    await page.mouse.move(middle.x + 60, middle.y + 20, { steps: 4 });
    await page.mouse.up();
    expect((await left()) - before).toBeGreaterThan(40);
    expect(page.url()).toBe(url);
    await page.keyboard.press('0');
    await expect(sheet).toHaveAttribute('data-zoom', '1.00');
    await page.keyboard.press('+');
    await expect(sheet).toHaveAttribute('data-zoom', '1.50');
    await page.getByRole('button', { name: 'Show all of it' }).click();
    await expect(page.getByTestId('zoom')).toHaveText('100 %');
});

test('two fingers enlarge the picture, and choose nothing', async ({ page }) => {
    await openHarbour(page);
    const { x, y } = await placeOf(page, 0.5, 0.5);
    const url = page.url();
    const hand = await page.context().newCDPSession(page);
    const touch = (type: 'touchStart' | 'touchMove' | 'touchEnd', apart?: number, aside = 0) =>
        hand.send('Input.dispatchTouchEvent', {
            type,
            touchPoints:
                apart === undefined
                    ? []
                    : [
                          { x: x - apart + aside, y, id: 1 },
                          { x: x + apart + aside, y, id: 2 },
                      ],
        });
    const zoom = async () => Number(await page.getByTestId('sheet').getAttribute('data-zoom'));
    await touch('touchStart', 40);
    for (const apart of [50, 60, 70, 80]) await touch('touchMove', apart);
    // All moves have come: the next is measured from there.
    await expect.poll(zoom).toBeGreaterThan(1.95);
    expect(await zoom()).toBeLessThan(2.3);
    const left = () => page.getByTestId('photo').evaluate((image) => image.getBoundingClientRect().left);
    const before = await left();
    for (const aside of [20, 40, 60]) await touch('touchMove', 80, aside);
    await expect.poll(async () => (await left()) - before).toBeGreaterThan(40);
    for (const apart of [60, 40, 20]) await touch('touchMove', apart, 60);
    await expect.poll(zoom).toBe(1);
    await touch('touchEnd');
    expect(page.url()).toBe(url);
});

test('two patches side by side', async ({ page }) => {
    await openHarbour(page);
    await page.keyboard.press('1');
    await sampleAt(page, 0.2, 0.4);
    await page.getByRole('button', { name: 'Pin this patch' }).click();
    await sampleAt(page, 0.63, 0.3);
    await expect(page.getByTestId('beside')).toContainText('Against the pinned one');
    await expect(page.getByTestId('pinned')).toBeVisible();
    await page.getByRole('button', { name: 'Unpin' }).click();
    await expect(page.getByTestId('pinned')).toHaveCount(0);
});

test('no part of Look has a fault or sticks out, on a tablet that lies or stands, in either light', async ({
    page,
}) => {
    await page.setViewportSize({ width: 1024, height: 768 });
    await openHarbour(page);
    await page.keyboard.press('1');
    await clickAt(page, 0.2, 0.4);
    for (const part of ['Zones', 'Values', 'Light', 'References', 'Format']) {
        await page.getByRole('tab', { name: part }).click();
        await expect(page.getByRole('tabpanel')).toBeVisible();
        await page.waitForLoadState('networkidle');
        await expectSoundEverywhere(page);
    }
});
