import { expect, openDemo, openHarbour, sampleAt, test } from './studio';
import { expectNoHue, expectSound, expectSoundInBothLights } from './studio';

// All of every page is looked through, and a plan is a long list.
test.describe.configure({ timeout: 150_000 });

const STAGES = ['look', 'match', 'plan', 'draw', 'compare'];

const PLACES: [string, RegExp][] = [
    ['/pencils/QW:6858', /Pennant Blue/],
    ['/pencils/audit', /What the box lacks/],
    ['/pencils/instead', /take instead/],
    ['/pencils/files', /Import and export/],
    ['/swatches', /swatches/],
    ['/swatches?view=page', /swatches/],
    ['/swatches/charts', /Charts to draw/],
    ['/swatches/calibration', /is in use/],
];

test('no page has a serious fault or sticks out at 1024 by 768, in either light', async ({ page }) => {
    await page.setViewportSize({ width: 1024, height: 768 });
    await page.goto('/');
    await expect(page.getByRole('heading', { name: 'Sign in' })).toBeVisible();
    await expectSound(page);
    await openDemo(page);
    await expectSoundInBothLights(page);
    await page.goto('/studio');
    await expect(page.getByText('Light to dark:', { exact: false })).toBeVisible();
    await expectSoundInBothLights(page);
    await page.goto('/pieces/new');
    await expect(page.getByRole('heading', { name: 'New piece' })).toBeVisible();
    await expectSoundInBothLights(page);
    await page.goto('/pencils');
    await expect(page.getByRole('heading', { name: /pencils in your box/ })).toBeVisible();
    await expectSoundInBothLights(page);
});

test('no stage of a piece has a serious fault or sticks out at 1024 by 768, in either light', async ({ page }) => {
    await page.setViewportSize({ width: 1024, height: 768 });
    await openHarbour(page);
    await page.getByRole('button', { name: /Small float, blue/ }).click();
    for (const stage of STAGES) {
        await page.getByRole('link', { name: new RegExp(stage, 'i') }).click();
        await expect(page.getByRole('heading', { level: 1 })).toBeAttached();
        if (stage === 'match') {
            await page.getByRole('button', { name: /Adjust recipe For/ }).click();
            await expect(page.getByTestId('words')).toBeVisible();
        }
        await expectSoundInBothLights(page);
    }
});

test('on a tablet held upright the photo takes the full width and the stage lies below it', async ({ page }) => {
    await page.setViewportSize({ width: 768, height: 1024 });
    await openHarbour(page);
    await page.getByRole('link', { name: /Match/ }).click();
    await page.getByRole('button', { name: /Small float, blue/ }).click();
    await expect(page.getByTestId('recipe').first()).toBeVisible();
    const photo = await page.getByTestId('picture').boundingBox();
    const stage = await page.getByRole('main').boundingBox();
    expect(photo?.width).toBeGreaterThan(700);
    expect((photo?.x ?? 0) + (photo?.width ?? 0)).toBeLessThanOrEqual(768);
    expect(stage?.y).toBeGreaterThan((photo?.y ?? 0) + (photo?.height ?? 0));
    expect(stage?.width).toBe(768);
});

test('on a tablet held upright Draw has number, pressure and Done on one screen', async ({ page }) => {
    await page.setViewportSize({ width: 768, height: 1024 });
    await openHarbour(page);
    await page.getByRole('link', { name: /Draw/ }).click();
    const now = page.getByTestId('step-now');
    for (const part of [
        now.getByText(/^\d{4}$/),
        now.getByText(/\d+ % \w+/).first(),
        page.getByRole('button', { name: /^Done/ }),
    ])
        await expect(part).toBeInViewport({ ratio: 1 });
});

test('no page of pencils and swatches has a serious fault or sticks out at 1024 by 768, in either light', async ({
    page,
}) => {
    await page.setViewportSize({ width: 1024, height: 768 });
    await openDemo(page);
    for (const [address, heading] of PLACES) {
        await page.goto(address);
        await expect(page.getByRole('heading', { level: 1, name: heading })).toBeVisible();
        await expectSoundInBothLights(page);
    }
});

test('the interface is achromatic: with the artist\u2019s colours away, no pixel has a hue', async ({ page }) => {
    await openHarbour(page);
    await page.getByRole('button', { name: /Buoy, light red/ }).click();
    await expect(page.getByText('Nearest single')).toBeAttached();
    await expectNoHue(page);
});

test('everything often done has a key', async ({ page }) => {
    await openHarbour(page);
    await page.keyboard.press('?');
    await expect(page.getByRole('dialog', { name: 'Keys' })).toBeVisible();
    await page.keyboard.press('Escape');
    await page.keyboard.press('n');
    await expect(page).toHaveURL(/zone=/);
    const first = page.url();
    await page.keyboard.press('n');
    await expect(page).not.toHaveURL(first);
    await page.keyboard.press('p');
    await expect(page).toHaveURL(first);
    await page.keyboard.press('g');
    await expect(page.getByRole('radio', { name: 'Greys' })).toBeChecked();
    await page.keyboard.press('g');
    await page.keyboard.press('i');
    await expect(page.getByRole('button', { name: /More of the view: .*Alone on grey/ })).toBeVisible();
    await page.keyboard.press('i');
    for (const [key, stage] of ['look', 'match', 'plan', 'draw', 'compare'].entries()) {
        await page.keyboard.press(String(key + 1));
        await expect(page).toHaveURL(new RegExp(`/${stage}\\b`));
    }
    // The picture from the keyboard alone.
    await page.keyboard.press('1');
    await page.keyboard.press('c');
    await page.keyboard.press('ArrowRight');
    await expect(page).toHaveURL(/at=/);
    await expect(page.getByTestId('reading')).toBeVisible();
    const radius = page.url();
    await page.keyboard.press('l');
    await expect(page).not.toHaveURL(radius);
});

test('nothing jumps when another colour is sampled', async ({ page }) => {
    await openHarbour(page);
    await sampleAt(page, 0.2, 0.5);
    await expect(page.getByTestId('recipe').first()).toBeVisible();
    const place = await page.getByTestId('reading').boundingBox();
    await sampleAt(page, 0.63, 0.44);
    await expect(page.getByTestId('reading')).toContainText('yellow');
    expect(await page.getByTestId('reading').boundingBox()).toEqual(place);
});
