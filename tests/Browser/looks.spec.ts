import type { Page } from '@playwright/test';
import { expect, openDemo, openHarbour, sampleAt, test } from './studio';
import { expectNoHue, expectSound, expectSoundEverywhere } from './studio';

// All of every page is looked through, and a plan is a long list.
test.describe.configure({ timeout: 150_000 });

const STAGES = ['look', 'match', 'plan', 'draw', 'compare'];

/** As far as it has something to say; the stage before is gone then. */
async function openStage(page: Page, stage: string) {
    const name = new RegExp(`^${stage}$`, 'i');
    await page.getByRole('link', { name: new RegExp(stage, 'i') }).click();
    await expect(page.getByRole('heading', { level: 1, name })).toBeAttached();
}

const LYING = { width: 1024, height: 768 };
const UPRIGHT = { width: 768, height: 1024 };

const PARTS: [string, string[]][] = [['Plan', ['Order', 'Preview', 'Advice', 'Ways of working']]];

const PLACES: [string, RegExp][] = [
    ['/pencils/QW:6858', /Pennant Blue/],
    ['/pencils/audit', /What the box lacks/],
    ['/pencils/instead', /take instead/],
    ['/pencils/files', /Import and export/],
    ['/pencils/numbers', /by number/],
    ['/swatches', /swatches/],
    ['/swatches?view=page', /swatches/],
    ['/swatches/charts', /Charts to draw/],
    ['/swatches/calibration', /is in use/],
    ['/recipes', /recipes/],
    ['/recipes?view=families', /recipes/],
    ['/practice', /Practice/],
    ['/figures', /Figures/],
];

test('no page has a fault or sticks out, on a tablet that lies or stands, in either light', async ({ page }) => {
    for (const [address, heading] of [
        ['/', 'Sign in'],
        ['/register', 'New studio'],
        ['/forgot-password', 'Forgot the password'],
    ] as const) {
        for (const size of [LYING, UPRIGHT]) {
            await page.setViewportSize(size);
            await page.goto(address);
            await expect(page.getByRole('heading', { name: heading })).toBeVisible();
            await expectSound(page);
        }
    }
    await page.goto('/');
    await page.getByRole('button', { name: 'Open the demo studio' }).click();
    await expect(page.getByRole('link', { name: 'Floats and buoy on planks', exact: true })).toBeVisible();
    await expectSoundEverywhere(page);
    await page.goto('/studio');
    await expect(page.getByText('Light to dark:', { exact: false })).toBeVisible();
    await expectSoundEverywhere(page);
    await page.goto('/pieces/new');
    await expect(page.getByRole('heading', { name: 'New piece' })).toBeVisible();
    await expectSoundEverywhere(page);
    await page.goto('/pencils');
    await expect(page.getByRole('heading', { name: /pencils in your box/ })).toBeVisible();
    await expectSoundEverywhere(page);
    await page.goto('/nowhere');
    await expect(page.getByRole('heading', { name: 'There is nothing at this address' })).toBeVisible();
    await expectSoundEverywhere(page);
});

test('no stage of a piece has a fault or sticks out, on a tablet that lies or stands, in either light', async ({
    page,
}) => {
    await page.setViewportSize(LYING);
    await openHarbour(page);
    await page.getByRole('button', { name: /Small float, blue/ }).click();
    for (const stage of STAGES) {
        await openStage(page, stage);
        if (stage === 'match') {
            await expect(page.getByText('Nearest single')).toBeAttached();
            await page.getByRole('button', { name: /More conditions/ }).click();
            await expectSoundEverywhere(page);
            await page.getByRole('button', { name: /Adjust recipe For/ }).click();
            await expect(page.getByTestId('words')).toBeVisible();
        }
        await expectSoundEverywhere(page);
    }
});

test('no part of Plan has a fault or sticks out, on a tablet that lies or stands, in either light', async ({
    page,
}) => {
    await page.setViewportSize(LYING);
    await openHarbour(page);
    await page.getByRole('button', { name: /Small float, blue/ }).click();
    for (const [stage, parts] of PARTS) {
        await page.getByRole('link', { name: stage }).click();
        for (const part of parts) {
            await page.getByRole('tab', { name: part }).click();
            await expect(page.getByRole('tabpanel', { name: part }).getByRole('heading').first()).toBeVisible();
            await expectSoundEverywhere(page);
        }
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
    const now = page.getByTestId('turn-now');
    for (const part of [
        now.getByText(/^\d{4}$/),
        now.getByText(/\d+ % \w+/).first(),
        page.getByRole('button', { name: /^Done/ }),
    ]) {
        await expect(part).toBeInViewport({ ratio: 1 });
        // Nor does anything lie over it.
        expect(
            await part.evaluate((element) => {
                const { left, width, top, bottom } = element.getBoundingClientRect();
                const seen = (y: number) => document.elementFromPoint(left + width / 2, y);

                return [top + 4, bottom - 4].every((y) => element.contains(seen(y)) || seen(y)?.contains(element));
            }),
        ).toBe(true);
    }
});

test('no page of pencils and swatches has a fault or sticks out, on a tablet that lies or stands, in either light', async ({
    page,
}) => {
    await page.setViewportSize({ width: 1024, height: 768 });
    await openDemo(page);
    for (const [address, heading] of PLACES) {
        await page.goto(address);
        await expect(page.getByRole('heading', { level: 1, name: heading })).toBeVisible();
        await expectSoundEverywhere(page);
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
    // The focus has gone on to the stage first.
    await expect(page.getByRole('heading', { level: 1, name: 'Look' })).toBeAttached();
    await expect(page.getByRole('group', { name: 'Look' })).toBeFocused();
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

test.describe('under a finger', () => {
    test.use({ hasTouch: true, viewport: LYING });

    /** Buttons, links that look like them, tabs, ticks and fields that are smaller than a finger, by name. */
    const small = (page: Page) =>
        page.evaluate((least) => {
            const pressed = [
                ...document.querySelectorAll<HTMLElement>(
                    'button, [role=tab], nav a, select, input[type=text], label:has(input[type=checkbox])',
                ),
                // Links that stand in a sentence are as high as its lines.
                ...[...document.querySelectorAll<HTMLElement>('main a')].filter((link) =>
                    getComputedStyle(link).display.endsWith('flex'),
                ),
            ];

            return pressed
                .filter((part) => part.checkVisibility() && !part.hasAttribute('disabled'))
                .map((part) => ({ part, box: part.getBoundingClientRect() }))
                .filter(({ box }) => box.width > 1 && (box.height < least || box.width < least))
                .map(
                    ({ part, box }) =>
                        `${part.getAttribute('aria-label') ?? part.textContent ?? ''} ${Math.round(box.width)} x ${Math.round(box.height)}`,
                );
        }, 44);

    test('buttons, tabs, ticks and fields of all stages are as large as a finger', async ({ page }) => {
        await openHarbour(page);
        await page.getByRole('button', { name: /Small float, blue/ }).tap();
        for (const stage of STAGES) {
            await openStage(page, stage);
            if (stage === 'match') await page.getByRole('button', { name: /Adjust recipe For/ }).tap();
            if (stage === 'match') await expect(page.getByTestId('words')).toBeVisible();
            expect.soft(await small(page), stage).toEqual([]);
        }
    });

    test('a recipe is adjusted: pressure by its slider, layers up and down, and back', async ({ page }) => {
        await openHarbour(page);
        await page.getByRole('button', { name: /Small float, blue/ }).tap();
        await page.getByRole('button', { name: /Adjust recipe No. 2/ }).tap();
        const notation = page.getByLabel(/As text/);
        await notation.fill('QW:6858@30 > QW:4731@40');
        await notation.press('Enter');
        await expect(page.getByRole('row')).toHaveCount(2);
        await page.getByRole('button', { name: 'Lay step 2 earlier' }).tap();
        await expect(notation).toHaveValue('QW:4731@40 > QW:6858@30');
        const slider = page.getByRole('slider', { name: 'Pressure of step 1' });
        const thumb = await slider.locator('xpath=ancestor::*[contains(@class,"thumb")]').boundingBox();
        if (!thumb) throw new Error('There is no thumb.');
        const hand = await page.context().newCDPSession(page);
        const touch = (type: 'touchStart' | 'touchMove' | 'touchEnd', by?: number) =>
            hand.send('Input.dispatchTouchEvent', {
                type,
                touchPoints: by === undefined ? [] : [{ x: thumb.x + thumb.width / 2 + by, y: thumb.y + 12 }],
            });
        await touch('touchStart', 0);
        for (const by of [10, 20, 30, 40]) await touch('touchMove', by);
        await touch('touchEnd');
        await expect(notation).not.toHaveValue('QW:4731@40 > QW:6858@30');
        expect(Number(/@(\d+)/.exec(await notation.inputValue())?.[1])).toBeGreaterThan(40);
        // Said as one says it, not as a bare number.
        await expect(slider).toHaveAttribute('aria-valuetext', /^\d+ % \w+$/);
        await page.goBack();
        await expect(page.getByRole('button', { name: /Adjust recipe No. 2/ })).toBeFocused();
    });
});

test('at twice the size nothing sticks out sideways, and targets keep their size', async ({ page }) => {
    // A window of 1280 by 800, magnified to 200 %.
    await page.setViewportSize({ width: 640, height: 400 });
    await openHarbour(page);
    for (const stage of STAGES) {
        await openStage(page, stage);
        await expectSound(page, ['target-size']);
    }
    for (const address of ['/pencils', '/swatches', '/studio', '/pieces']) {
        await page.goto(address);
        await expect(page.getByRole('heading', { level: 1 })).toBeVisible();
        await expectSound(page, ['target-size']);
    }
});
