import AxeBuilder from '@axe-core/playwright';
import { expect, test as base, type Page } from '@playwright/test';

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

export { expect };

export async function openDemo(page: Page) {
    await page.goto('/');
    await page.getByRole('button', { name: 'Open the demo studio' }).click();
    await expect(page.getByRole('heading', { name: 'Pieces' })).toBeVisible();
}

export async function openHarbour(page: Page) {
    await openDemo(page);
    await page.getByRole('link', { name: /Floats and buoy on planks/ }).click();
    await expect(page.getByTestId('picture')).toBeVisible();
}

/** Clicks the reference at shares of its width and height. */
export async function sampleAt(page: Page, x: number, y: number) {
    const box = await page.getByTestId('picture').boundingBox();
    if (!box) throw new Error('There is no picture.');
    await page.mouse.click(box.x + box.width * x, box.y + box.height * y);
}

/** axe finds nothing serious, and nothing sticks out sideways. */
export async function expectSound(page: Page) {
    const found = await new AxeBuilder({ page }).analyze();
    const serious = found.violations.filter((violation) => ['serious', 'critical'].includes(violation.impact ?? ''));
    expect(serious.map(({ id, nodes }) => `${id}: ${nodes.map((node) => node.target.join(' ')).join(', ')}`)).toEqual(
        [],
    );
    expect(await page.evaluate(() => document.documentElement.scrollWidth - window.innerWidth)).toBeLessThanOrEqual(0);
}
