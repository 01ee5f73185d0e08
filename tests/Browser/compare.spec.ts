import { readFileSync } from 'node:fs';
import type { Page } from '@playwright/test';
import { clickAt, expect, expectSoundEverywhere, openHarbour, sampleAt, test } from './studio';

// Drawn to two thirds by the simulated hand after a plan of the same photo, and taken askew in warm light from one side.
const DRAWING = 'tests/Browser/harbour-two-thirds.jpg';

type Corner = [number, number];

/** A bad picture of the drawing: too dark, with a part of it outside, blurred, upside down, beside an empty sheet, or with paper that is no white. */
interface Badly {
    brightness?: number;
    from?: number;
    blur?: number;
    turned?: boolean;
    besideAnother?: boolean;
    /** Corners of the drawing, in shares: all round them is toned. */
    tonedRound?: Corner[];
}

async function badlyTaken(page: Page, how: Badly) {
    const bytes = await page.evaluate(
        async ({ taken, brightness = 1, from = 0, blur = 0, turned, besideAnother, tonedRound }) => {
            const image = new Image();
            image.src = `data:image/jpeg;base64,${taken}`;
            await image.decode();
            const [width, height] = [image.naturalWidth, image.naturalHeight];
            const left = from * width;
            const canvas = document.createElement('canvas');
            canvas.width = besideAnother ? 2 * width : width - left;
            canvas.height = height;
            const context = canvas.getContext('2d');
            if (!context) throw new Error('This browser cannot draw.');
            context.filter = `brightness(${brightness}) blur(${blur}px)`;
            if (turned) {
                context.translate(width, height);
                context.rotate(Math.PI);
            }
            if (besideAnother) {
                context.fillStyle = '#222';
                context.fillRect(0, 0, canvas.width, height);
                context.fillStyle = '#eee';
                context.fillRect(0.04 * width, 0.04 * height, 0.92 * width, 0.92 * height);
                context.drawImage(image, 1.1 * width, 0.1 * height, 0.8 * width, 0.8 * height);
            } else context.drawImage(image, -left, 0);
            if (tonedRound) {
                context.beginPath();
                context.rect(0, 0, width, height);
                for (const [at, [x, y]] of tonedRound.entries()) {
                    if (at === 0) context.moveTo(x * width, y * height);
                    else context.lineTo(x * width, y * height);
                }
                context.closePath();
                context.fillStyle = 'rgb(0 0 0 / 30%)';
                context.fill('evenodd');
            }

            return canvas.toDataURL('image/jpeg', 0.92).split(',')[1] ?? '';
        },
        { taken: readFileSync(DRAWING).toString('base64'), ...how },
    );

    return { name: 'bad.jpg', mimeType: 'image/jpeg', buffer: Buffer.from(bytes, 'base64') };
}

test('a photo of the drawing is compared zone by zone; another picture, one in the dark and a part are refused in words', async ({
    page,
}) => {
    await openHarbour(page);
    await page.goto(page.url().replace('/match', '/compare'));
    const checks = page.getByTestId('checks');
    await expect(checks).toContainText('with white paper all round it');
    const file = checks.locator('input[type=file]').nth(1);
    await file.setInputFiles('database/demo/lantern.jpg');
    await expect(checks.getByRole('alert')).toContainText('Nothing in this picture goes together', { timeout: 60_000 });
    await file.setInputFiles(await badlyTaken(page, { brightness: 0.12 }));
    await expect(checks.getByRole('alert')).toContainText('The picture is too dark', { timeout: 60_000 });
    await file.setInputFiles(await badlyTaken(page, { from: 0.3 }));
    await expect(checks.getByRole('alert')).toContainText('goes on beyond the left edge', { timeout: 60_000 });
    await file.setInputFiles(DRAWING);
    await expect(checks.getByRole('heading', { name: 'Three places that need the hand' })).toBeVisible({
        timeout: 60_000,
    });
    await expect(checks.getByRole('alert')).toHaveCount(0);
    await expect(checks).toContainText('not begun');
    const shown = () =>
        checks.locator('canvas').evaluate((canvas: HTMLCanvasElement) =>
            canvas
                .getContext('2d')
                ?.getImageData(0, 0, canvas.width, canvas.height)
                .data.some((byte) => byte > 0),
        );
    await expect.poll(shown).toBe(true);
    await checks.getByRole('button', { name: 'Where values are off' }).click();
    await expect(checks.locator('canvas')).toHaveCount(0);
    // A place that is named is chosen in the picture beside.
    await checks.getByRole('listitem').first().getByRole('button').click();
    await expect(page).toHaveURL(/zone=/);
    await checks.getByRole('button', { name: /All zones/ }).click();
    await expect(checks.getByText('leave it: the eye sees no difference').first()).toBeVisible();
    // A line between two points of the photo, and between the same two in the drawing, which then lies in its place.
    await checks.getByRole('button', { name: 'Line between two points' }).click();
    await clickAt(page, 0.2, 0.2);
    await clickAt(page, 0.2, 0.7);
    await expect(checks).toContainText(/In the photo: \d+ mm long, plumb/);
    await checks.getByRole('button', { name: 'The same in yours' }).click();
    await expect(page.getByTestId('own')).toBeVisible();
    await clickAt(page, 0.2, 0.2);
    await clickAt(page, 0.2, 0.75);
    await expect(checks).toContainText(/Yours: \d+ mm long, plumb; [\d.]+ mm too long/);
    await checks.getByRole('button', { name: 'Take lines away' }).click();
    await page.keyboard.press('y');
    // By corners that are moved with the keys, compared anew.
    await checks.getByRole('button', { name: /Corners of the drawing/ }).click();
    await checks.getByRole('button', { name: /Upper left corner/ }).focus();
    await page.keyboard.press('ArrowLeft');
    const before = await checks.getByRole('img', { name: /Your drawing/ }).getAttribute('src');
    await checks.getByRole('button', { name: 'Compare by these corners' }).click();
    await expect(checks.getByRole('img', { name: /Your drawing/ })).not.toHaveAttribute('src', before ?? '', {
        timeout: 60_000,
    });
    await page.reload();
    await expect(checks.getByRole('heading', { name: 'Three places that need the hand' })).toBeVisible();
});

test('a picture that is blurred, upside down, beside an empty sheet or on toned paper says so, or is turned by itself', async ({
    page,
}) => {
    await openHarbour(page);
    const piece = /pieces\/(\w+)/.exec(page.url())?.[1] ?? '';
    await page.goto(`/pieces/${piece}/compare`);
    const checks = page.getByTestId('checks');
    const file = checks.locator('input[type=file]').nth(1);
    const corners = async (): Promise<Corner[]> => {
        const reviews = (await (await page.request.get(`/api/pieces/${piece}/reviews`)).json()) as {
            corners: Corner[];
        }[];

        return reviews[0]?.corners ?? [];
    };
    await file.setInputFiles(await badlyTaken(page, { blur: 6 }));
    await expect(checks).toContainText('The picture is blurred', { timeout: 60_000 });
    const upright = await corners();
    await file.setInputFiles(await badlyTaken(page, { turned: true }));
    // Its upper left corner is where the lower right one was, seen from the other side.
    await expect
        .poll(async () => Math.abs(1 - ((await corners())[0]?.[0] ?? 0) - (upright[0]?.[0] ?? 0)), { timeout: 60_000 })
        .toBeLessThan(0.02);
    await expect(checks).not.toContainText('The picture is blurred');
    await file.setInputFiles(await badlyTaken(page, { tonedRound: upright }));
    await expect(checks).toContainText('If it is toned paper, choose it in Look', { timeout: 60_000 });
    await file.setInputFiles(await badlyTaken(page, { besideAnother: true }));
    await expect(checks.getByRole('alert')).toContainText('More than one sheet seems to lie in it', {
        timeout: 60_000,
    });
});

test.describe.configure({ timeout: 240_000 });

test('what a photo asks for is taken into Draw at one press, drawn there, and compared again', async ({ page }) => {
    await openHarbour(page);
    // Ticked as far as the lights and darks: turn after turn by the key.
    await page.goto(page.url().replace('/match', '/draw'));
    await expect(page.getByTestId('turn-of')).toContainText('Turn 1 of');
    for (let turn = 1; turn <= 16; turn++) {
        await page.keyboard.press('d');
        await expect(page.getByTestId('turn-of')).toContainText(`Turn ${turn + 1} of`);
    }
    await expect(page.getByText('Saved', { exact: true })).toBeVisible();
    await page.getByRole('link', { name: /Compare/ }).click();
    const checks = page.getByTestId('checks');
    const simulate = async (hand: string) => {
        await checks.getByRole('button', { name: /No drawing at hand/ }).click();
        await checks.getByRole('button', { name: /Its hand/ }).click();
        await page.getByRole('option', { name: hand }).click();
        await checks.getByRole('button', { name: 'Have it drawn' }).click();
    };
    await simulate('Heavy');
    await expect(checks).toContainText('a heavy hand', { timeout: 90_000 });

    // Zone after zone by the key, each in words; the drawing in the photo's place, sliding over it, and the same spot in both.
    await page.keyboard.press('n');
    await expect(checks).toContainText(/Wall boards: /);
    await page.keyboard.press('y');
    await expect(page.getByTestId('own')).toHaveCSS('clip-path', 'inset(0px 0px 0px 0%)');
    await page.keyboard.press('y');
    await expect(page.getByTestId('own')).toHaveCount(0);
    await checks.getByRole('slider', { name: 'Slide yours over it' }).focus();
    await page.keyboard.press('End');
    await expect(page.getByTestId('own')).toBeVisible();
    await page.keyboard.press('Home');
    await expect(page.getByTestId('own')).toHaveCount(0);
    await sampleAt(page, 0.3, 0.9);
    await expect(page.getByTestId('both').getByText('Photo', { exact: true })).toBeVisible();
    await expect(page.getByTestId('both')).toContainText(/dE00 \d/);

    // What it has learnt of the hand is shown, taken, and taken back.
    await page.getByTestId('hand').getByRole('button', { name: 'Reckon with it' }).click();
    await expect(page.getByText(/Calibration \d+ reckons with it/)).toBeVisible();
    await page.getByRole('button', { name: 'Take back' }).click();
    // All that rests on the calibration is predicted anew, there and back.
    await expect(page.getByTestId('hand').getByRole('button', { name: 'Reckon with it' })).toBeEnabled({
        timeout: 90_000,
    });

    const next = page.getByTestId('next-turns');
    await next.getByRole('button', { name: /^Take all \d+ into Draw$/ }).click();
    await next.getByRole('link', { name: 'Taken over; draw on' }).click();
    await expect(page.getByTestId('turn-of')).toBeVisible();
    await page.getByRole('button', { name: /Diary and notes/ }).click();
    await expect(page.getByTestId('diary')).toContainText('Corrections taken over from a photo');
    await expect(page.getByTestId('diary')).toContainText('Simulated: a heavy hand');
    await page.keyboard.press('d');
    await expect(page.getByText('Saved', { exact: true })).toBeVisible();
    await page.getByTestId('last-check').getByRole('link', { name: 'Compare again' }).click();
    await simulate('True');
    await expect(page.getByTestId('history').getByRole('listitem')).toHaveCount(2, { timeout: 90_000 });
    await expectSoundEverywhere(page);
});
