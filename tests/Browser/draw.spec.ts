import { expect, openHarbour, test } from './studio';

test('a turn is laid place by place or at once; what was done and written down is a diary', async ({ page }) => {
    await openHarbour(page);
    await page.keyboard.press('4');
    const at = page.getByTestId('turn-of');
    await expect(at).toContainText('Turn 1 of');
    const places = page.getByTestId('turn-places');
    await expect(page.getByTestId('veil')).toBeAttached();
    // One place large, then ticked, then the tick taken off by Undo.
    const first = places.getByRole('checkbox').first();
    await places
        .getByRole('button', { name: /^Show .* large/ })
        .first()
        .click();
    await expect.poll(async () => Number(await page.getByTestId('sheet').getAttribute('data-zoom'))).toBeGreaterThan(1);
    await places.locator('label').first().click();
    await expect(first).toBeChecked();
    await page.keyboard.press('u');
    await expect(first).not.toBeChecked();
    // All at once.
    await page.keyboard.press('d');
    await expect(at).toContainText('Turn 2 of');
    await page.getByRole('button', { name: /Diary and notes/ }).click();
    await page.getByLabel(/A note on turn 2/).fill('Paper wiped clean before the first coat.');
    await page.getByRole('button', { name: 'Write it down' }).click();
    const diary = page.getByTestId('diary');
    await expect(diary).toContainText('Paper wiped clean before the first coat.');
    await expect(diary).toContainText(/Turn 1: .* laid in \d+ place/);
    await expect(page.getByTestId('saved')).toHaveText('Saved');
    await page.reload();
    await expect(at).toContainText('Turn 2 of');
    await page.getByRole('button', { name: /Diary and notes/ }).click();
    await expect(diary).toContainText('Paper wiped clean before the first coat.');
});

test('without the network one draws on, and what was done is sent when it is back', async ({ page, context }) => {
    await openHarbour(page);
    await page.keyboard.press('4');
    const at = page.getByTestId('turn-of');
    await expect(at).toContainText('Turn 1 of');
    await context.setOffline(true);
    // From the press to the next turn on the screen.
    const took = await page.evaluate(async () => {
        const said = document.querySelector('[data-testid=turn-of]');
        const began = performance.now();
        window.dispatchEvent(new KeyboardEvent('keydown', { key: 'd', bubbles: true }));
        while (!said?.textContent.includes('Turn 2 of') && performance.now() - began < 5000)
            await new Promise((next) => requestAnimationFrame(next));

        return performance.now() - began;
    });
    expect(took).toBeLessThan(500);
    test.info().annotations.push({ type: 'figures', description: `Done is seen after ${took.toFixed(0)} ms` });
    await page.keyboard.press('d');
    await expect(at).toContainText('Turn 3 of');
    await expect(page.getByTestId('saved')).toHaveText('2 changes wait for the network');
    await context.setOffline(false);
    await expect(page.getByTestId('saved')).toHaveText('Saved');
    await page.reload();
    await expect(at).toContainText('Turn 3 of');
});

test('desk and tablet on one piece follow one another', async ({ page, context }) => {
    await openHarbour(page);
    await page.keyboard.press('4');
    await expect(page.getByTestId('turn-of')).toContainText('Turn 1 of');
    const tablet = await context.newPage();
    await tablet.setViewportSize({ width: 768, height: 1024 });
    await tablet.goto(page.url());
    await expect(tablet.getByTestId('turn-of')).toContainText('Turn 1 of');
    await page.keyboard.press('d');
    await expect(tablet.getByTestId('turn-of')).toContainText('Turn 2 of', { timeout: 10_000 });
    await tablet.getByRole('button', { name: /Undo/ }).click();
    await expect(page.getByTestId('turn-of')).toContainText('Turn 1 of', { timeout: 10_000 });
});

test.describe('with the studio kept in the browser', () => {
    test.use({ serviceWorkers: 'allow' });

    test('a page that is opened anew without the network shows the turn at hand, lights it, and what was pressed is sent when it is back', async ({
        page,
        context,
    }) => {
        await openHarbour(page);
        await page.evaluate(() => navigator.serviceWorker.ready.then(() => undefined));
        await page.keyboard.press('4');
        const at = page.getByTestId('turn-of');
        await expect(at).toContainText('Turn 1 of');
        // Once with the network, so that all of it has been seen.
        await page.reload();
        await expect(page.getByTestId('veil')).toBeVisible();
        await page.waitForLoadState('networkidle');
        await context.setOffline(true);
        await page.keyboard.press('d');
        await expect(at).toContainText('Turn 2 of');
        await expect(page.getByTestId('saved')).toHaveText('1 change waits for the network');
        await page.reload();
        await expect(at).toContainText('Turn 2 of');
        await expect(page.getByTestId('veil')).toBeVisible();
        await expect
            .poll(() => page.getByTestId('photo').evaluate((photo: HTMLImageElement) => photo.naturalWidth))
            .toBeGreaterThan(100);
        await page.keyboard.press('d');
        await expect(at).toContainText('Turn 3 of');
        await expect(page.getByTestId('saved')).toHaveText('2 changes wait for the network');
        await context.setOffline(false);
        await expect(page.getByTestId('saved')).toHaveText('Saved');
        await page.reload();
        await expect(at).toContainText('Turn 3 of');
    });
});
