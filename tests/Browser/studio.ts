import { expect as runner, test as base, type Locator, type Page } from '@playwright/test';
import axe from 'axe-core';
import { type } from '../../resources/js/ui/theme';

/** A test fails on any error in the browser's console: a refused style or script would be one. */
export const test = base.extend<{ quiet: undefined }>({
    quiet: [
        async ({ page }, use) => {
            const errors: string[] = [];
            page.on('pageerror', (error) => errors.push(error.message));
            page.on('console', (message) => {
                // A refusal of the server (422 and the like) is shown by the page, and logged by the browser as well.
                // The tracer of the tests fetches previews by itself.
                const own = !message.text().startsWith('Failed to load resource') && !message.text().includes("'blob:");
                if (message.type() === 'error' && own) errors.push(message.text());
            });
            await use(undefined);
            expect(errors).toEqual([]);
        },
        { auto: true },
    ],
});

/** Waits for it as a click does. The runner's own writes down the whole page after each look that fails, which takes longer than the look. */
export const expect = runner.extend({
    async toBeVisible(what: Locator, { timeout }: { timeout?: number } = {}) {
        const state = this.isNot ? 'hidden' : 'visible';
        try {
            await what.waitFor({ state, timeout: timeout ?? this.timeout });
        } catch (problem) {
            return { pass: this.isNot, message: () => String(problem) };
        }

        return { pass: !this.isNot, message: () => '' };
    },
});

/** What the page would send with a change. */
async function headersOf(page: Page) {
    const token = (await page.context().cookies()).find(({ name }) => name === 'XSRF-TOKEN')?.value ?? '';

    return { Accept: 'application/json', 'X-XSRF-TOKEN': decodeURIComponent(token) };
}

/** The demo, as its button opens it; the way through the entrance is one test's. */
async function signIntoDemo(page: Page) {
    await page.request.get('/api/session');
    const answer = await page.request.post('/api/session/demo', { headers: await headersOf(page) });
    expect(answer.ok()).toBe(true);
}

export async function openDemo(page: Page) {
    await signIntoDemo(page);
    await page.goto('/pieces');
    await expect(page.getByRole('heading', { name: 'Pieces' })).toBeVisible();
}

/** A studio of one's own, with nothing in it: it asks for pencils first. */
export async function newArtist(page: Page, name: string) {
    await page.goto('/register');
    await page.getByLabel('Your name').fill(name);
    await page.getByLabel('E-mail').fill(`${name.toLowerCase()}-${Date.now()}@example.org`);
    await page.getByLabel('Password, 10 characters or more').fill('ten pencils');
    await page.getByLabel('Password again').fill('ten pencils');
    await page.getByRole('button', { name: 'Open the studio' }).click();
    await expect(page.getByRole('heading', { name: 'Which pencils do you have?' })).toBeVisible();
}

/** A piece of the demo, at once. */
async function openPiece(page: Page, title: string) {
    await signIntoDemo(page);
    const pieces = (await (await page.request.get('/api/pieces')).json()) as { id: string; title: string }[];
    await page.goto(`/pieces/${pieces.find((piece) => piece.title === title)?.id ?? ''}/match`);
    await expect(page.getByTestId('picture')).toBeVisible();
}

export const openHarbour = (page: Page) => openPiece(page, 'Floats and buoy on planks');

/** A piece of one's own from a photo that is uploaded. */
export async function uploadJugs(page: Page, title: string) {
    await openDemo(page);
    await page.getByRole('link', { name: 'New piece' }).click();
    await page.setInputFiles('input[type=file]', 'database/demo/jugs.jpg');
    await page.getByLabel('Title').fill(title);
    await page.getByRole('button', { name: 'Start' }).click();
    await expect(page.getByRole('slider', { name: 'Zones, fewer or more' })).toBeVisible({ timeout: 60_000 });
    await expect(page.getByTestId('picture').locator('[data-area]').first()).toBeAttached({ timeout: 30_000 });
}

/** Asks the server for a change beside the page: what a test needs, and another test is about. */
export async function send(page: Page, method: 'PATCH' | 'DELETE', address: string, data?: object) {
    const answer = await page.request.fetch(address, { method, data, headers: await headersOf(page) });
    expect(answer.ok()).toBe(true);
}

/** The demo's jugs, read and cut but not planned: who opens the demo has a copy of it, so what a test does to it concerns no other. */
export async function openJugs(page: Page, paper?: string) {
    await openPiece(page, 'Three glazed jugs');
    if (paper !== undefined) {
        const piece = /pieces\/(\w+)/.exec(page.url())?.[1] ?? '';
        await send(page, 'PATCH', `/api/pieces/${piece}`, { paper });
        await page.reload();
    }
    await page.getByRole('link', { name: 'Look' }).click();
    await expect(page.getByRole('slider', { name: 'Zones, fewer or more' })).toBeVisible({ timeout: 30_000 });
    await expect(page.getByTestId('picture').locator('[data-area]').first()).toBeAttached({ timeout: 30_000 });
}

/** The place of shares of the reference's width and height. */
export async function placeOf(page: Page, x: number, y: number) {
    const box = await page.getByTestId('picture').boundingBox();
    if (!box) throw new Error('There is no picture.');

    return { x: box.x + box.width * x, y: box.y + box.height * y };
}

/** Clicks the reference at shares of its width and height. */
export async function clickAt(page: Page, x: number, y: number) {
    const place = await placeOf(page, x, y);
    await page.mouse.click(place.x, place.y);
}

/** The same, for the colour of the spot and not for its zone. */
export async function sampleAt(page: Page, x: number, y: number) {
    const spots = page.getByRole('radio', { name: 'Spot' });
    if ((await spots.isEnabled()) && !(await spots.isChecked())) await spots.click();
    await clickAt(page, x, y);
}

/**
 * Drags a part to the lower edge of another, as a mouse does, by the events that the browser tells the page. Those that it makes of moves of
 * the mouse come apart on a machine that stalls, and a drag that never ends swallows all that comes after.
 */
export async function dragged(page: Page, from: Locator, to: Locator) {
    const start = await from.boundingBox();
    const end = await to.boundingBox();
    if (!start || !end) throw new Error('There is nothing to drag, or nowhere to drag it to.');
    const data = await page.evaluateHandle(() => {
        const moved = new DataTransfer();
        // Only a browser's own may be told what is allowed.
        for (const name of ['effectAllowed', 'dropEffect'])
            Object.defineProperty(moved, name, { value: 'all', writable: true });

        return moved;
    });
    const at = ({ x, y }: { x: number; y: number }) => ({
        bubbles: true,
        cancelable: true,
        composed: true,
        dataTransfer: data,
        clientX: x,
        clientY: y,
    });
    const held = at({ x: start.x + 8, y: start.y + 12 });
    const there = at({ x: end.x + 30, y: end.y + end.height - 2 });
    await from.dispatchEvent('dragstart', held);
    // The page shows what is dragged a frame later.
    await page.evaluate(() => new Promise((then) => requestAnimationFrame(() => requestAnimationFrame(then))));
    await to.dispatchEvent('dragenter', there);
    await to.dispatchEvent('dragover', there);
    await to.dispatchEvent('drop', there);
    await from.dispatchEvent('dragend', there);
}

/** Of a list of things of one kind so many are looked at: what is wrong with one is wrong with all. */
const LOOKED_AT = 3;
const ROWS = ['tr', 'li', '[role=row]', '[role=option]'];

const FAULTS = ['moderate', 'serious', 'critical'];

/** No fault by the rules of accessibility but minor ones, or by some of the rules; and nothing sticks out sideways. */
export async function expectSound(page: Page, rules?: string[]) {
    // It stays in the page, and is brought there anew only where that was loaded anew.
    if (!(await page.evaluate(() => 'axe' in window))) await page.evaluate(axe.source);
    const faults = await page.evaluate(
        async ({ rows, told, only }) => {
            const found = await (window as unknown as { axe: typeof axe }).axe.run(
                { include: [document.documentElement], exclude: rows },
                { resultTypes: ['violations'], ...(only ? { runOnly: only } : {}) },
            );

            return found.violations
                .filter(({ impact }) => told.includes(impact ?? ''))
                .map(({ id, nodes }) => `${id}: ${nodes.map(({ target }) => target.join(' ')).join(', ')}`);
        },
        { rows: ROWS.map((row) => `${row}:nth-child(n+${LOOKED_AT + 1})`), told: FAULTS, only: rules },
    );
    expect(faults).toEqual([]);
    // Neither the page nor a panel of it.
    const wide = await page.evaluate(() =>
        [document.documentElement, ...document.querySelectorAll('body *')]
            .filter((part) => part.tagName === 'HTML' || ['auto', 'scroll'].includes(getComputedStyle(part).overflowX))
            .filter((part) => part.scrollWidth > part.clientWidth + 1)
            .map((part) => `${part.tagName} ${part.scrollWidth} > ${part.clientWidth}`),
    );
    expect(wide).toEqual([]);
    const sizes = await page.evaluate(
        (scale) =>
            [...document.querySelectorAll('body *')]
                .filter((part) => part.closest('svg, .visually-hidden') === null)
                .filter((part) => [...part.childNodes].some((node) => node.nodeType === 3 && node.textContent?.trim()))
                .filter((part) => !scale.includes(getComputedStyle(part).fontSize))
                .map((part) => `${getComputedStyle(part).fontSize}: ${part.textContent.trim().slice(0, 40)}`),
        Object.values<string>(type),
    );
    expect(sizes, 'type outside the scale').toEqual([]);
}

/** With the artist's colours away, no pixel has a hue. */
export async function expectNoHue(page: Page) {
    // What is the artist's: the photo, swatches and chips. They are the only ones with a colour of their own.
    const show = (visibility: '' | 'hidden') =>
        page.evaluate((how) => {
            const own = 'img, canvas, [data-hex], i, svg circle, [style*=background]';
            for (const part of document.querySelectorAll<HTMLElement>(own)) part.style.visibility = how;
        }, visibility);
    await show('hidden');
    const shot = (await page.screenshot()).toString('base64');
    const hue = await page.evaluate(async (data) => {
        const image = new Image();
        image.src = `data:image/png;base64,${data}`;
        await image.decode();
        const canvas = document.createElement('canvas');
        canvas.width = image.width;
        canvas.height = image.height;
        const context = canvas.getContext('2d');
        context?.drawImage(image, 0, 0);
        const pixels = context?.getImageData(0, 0, image.width, image.height).data ?? new Uint8ClampedArray();
        let most = 0;
        let where = '';
        for (let i = 0; i < pixels.length; i += 4) {
            const [r = 0, g = 0, b = 0] = [pixels[i], pixels[i + 1], pixels[i + 2]];
            const spread = Math.max(r, g, b) - Math.min(r, g, b);
            if (spread > most) {
                most = spread;
                where = `${(i / 4) % image.width},${Math.floor(i / 4 / image.width)}`;
            }
        }

        return { most, where };
    }, shot);
    expect(hue.most, `at ${hue.where}`).toBeLessThanOrEqual(1);
    await show('');
}

const LYING = { width: 1024, height: 768 };
const UPRIGHT = { width: 768, height: 1024 };

/** What another size can change: what is shown or left out, and how large it is. Names and roles stay. */
const BY_SIZE = [
    'target-size',
    'scrollable-region-focusable',
    'page-has-heading-one',
    'heading-order',
    'landmark-one-main',
    'duplicate-id-aria',
    'nested-interactive',
];

/** On a tablet that lies and on one held upright; in daylight and dim: what another light can change is contrast and hue. */
export async function expectSoundEverywhere(page: Page) {
    await page.setViewportSize(LYING);
    await expectSound(page);
    await expectNoHue(page);
    await page.getByRole('button', { name: 'Dim studio' }).click();
    await expectSound(page, ['color-contrast']);
    await expectNoHue(page);
    await page.getByRole('button', { name: 'Daylight desk' }).click();
    await page.setViewportSize(UPRIGHT);
    await expectSound(page, BY_SIZE);
    await page.setViewportSize(LYING);
}
