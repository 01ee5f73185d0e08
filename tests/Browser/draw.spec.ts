import type { Page } from '@playwright/test';
import { expect, openHarbour, openJugs, send, test } from './studio';

test('a turn is laid place by place or at once; what was done and written down is a diary', async ({ page }) => {
    await openHarbour(page);
    await page.keyboard.press('4');
    const at = page.getByTestId('turn-of');
    await expect(at).toContainText('Turn 1 of');
    const places = page.getByTestId('turn-places');
    // On to a turn of more than one place.
    let turn = 1;
    for (; (await places.getByRole('checkbox').count()) < 2; turn++) {
        await page.keyboard.press('d');
        await expect(at).toContainText(`Turn ${turn + 1} of`);
    }
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
    await expect(at).toContainText(`Turn ${turn + 1} of`);
    await page.getByRole('button', { name: /Diary and notes/ }).click();
    await page.getByLabel(new RegExp(`A note on turn ${turn + 1}`)).fill('Paper wiped clean before the first coat.');
    await page.getByRole('button', { name: 'Write it down' }).click();
    const diary = page.getByTestId('diary');
    await expect(diary).toContainText('Paper wiped clean before the first coat.');
    await expect(diary).toContainText(new RegExp(`Turn ${turn}: .* laid in \\d+ place`));
    await expect(page.getByTestId('saved')).toHaveText('Saved');
    await page.reload();
    await expect(at).toContainText(`Turn ${turn + 1} of`);
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
        await page.getByRole('button', { name: /Diary and notes/ }).click();
        const chosen = page.waitForEvent('filechooser');
        await page.getByRole('button', { name: 'Choose a photo' }).click();
        await (await chosen).setFiles('database/demo/jugs.jpg');
        await expect(page.getByTestId('saved')).toHaveText('3 changes wait for the network');
        // The photo waits in the browser too.
        await page.reload();
        await page.getByRole('button', { name: /Diary and notes/ }).click();
        const diary = page.getByTestId('diary');
        await expect(diary).toContainText('Photo at turn 3');
        await context.setOffline(false);
        await expect(page.getByTestId('saved')).toHaveText('Saved');
        await expect(diary.locator('img')).toBeVisible();
        await page.reload();
        await expect(at).toContainText('Turn 3 of');
    });
});

/** A small piece: paper kept, two colours in two layers each and one in one. */
async function openSmallPiece(page: Page) {
    await openJugs(page);
    const id = /pieces\/(\w+)/.exec(page.url())?.[1] ?? '';
    const { zones } = (await (await page.request.get(`/api/pieces/${id}`)).json()) as {
        zones: { targets: { id: string; version: number }[] }[];
    };
    // About what they come to: what goes otherwise takes them away from it.
    const wanted: [string, object][] = [
        ['', { L: 95, a: 0, b: 2 }],
        ['QW:2616@35x2 > QW:5925@45', { L: 84, a: -21, b: 14 }],
        ['QW:2616@35 > QW:1823@40x2', { L: 84, a: -18, b: 12 }],
        ['QW:2616@40x2', { L: 88, a: -8, b: 10 }],
    ];
    for (const [index, [stack, colour]] of wanted.entries()) {
        const target = zones[index]?.targets[0];
        if (!target) throw new Error('The piece has too few zones.');
        await send(page, 'PATCH', `/api/targets/${target.id}`, { version: target.version, stack, colour });
    }
    await page.goto(`/pieces/${id}/draw`);
    await expect(page.getByTestId('turn-of')).toContainText('Turn 1 of');
}

test('a small piece is drawn from the first turn to the last, with all that goes otherwise on the way', async ({
    page,
    context,
}) => {
    await openSmallPiece(page);
    const otherwise = page.getByTestId('otherwise');
    const cards = page.getByTestId('replan');
    const diary = page.getByTestId('diary');
    const opened = async () => {
        await page.getByRole('button', { name: /It went otherwise/ }).click();
        await expect(otherwise).toBeVisible();
    };
    const picked = async (number: string) => {
        const field = otherwise.getByRole('combobox', { name: 'Pencil' });
        await field.click();
        await field.pressSequentially(number);
        await page.getByRole('option', { name: new RegExp(number) }).click();
    };
    await page.getByRole('button', { name: /Diary and notes/ }).click();
    // The paper is kept; then it has colour on it all the same.
    await expect(page.getByTestId('turn-now')).toContainText('Paper');
    await page.keyboard.press('d');
    await opened();
    await otherwise.getByRole('radio', { name: 'Colour on bare paper' }).click();
    await picked('3769');
    await otherwise.getByRole('button', { name: 'That happened' }).click();
    await expect(cards).toHaveCount(1);
    await cards.getByRole('button', { name: 'Leave it as it was' }).click();
    await expect(cards).toHaveCount(0);
    await expect(diary).toContainText('Left as it was planned');
    // Another pencil, far harder: what follows is planned anew.
    await opened();
    await picked('3769');
    for (let i = 0; i < 4; i++) await otherwise.getByRole('button', { name: /Increase Pressure/ }).click();
    await otherwise.getByRole('button', { name: /Increase Coats/ }).click();
    await otherwise.getByRole('button', { name: 'Done like this' }).click();
    await expect(cards.first()).toBeVisible();
    await expect(diary).toContainText('instead of');
    const asked = await cards.count();
    await cards.first().getByRole('button', { name: 'Take the new plan' }).click();
    await expect(cards).toHaveCount(asked - 1);
    await expect(diary).toContainText('Planned anew');
    while ((await cards.count()) > 0) {
        const left = await cards.count();
        await cards.first().getByRole('button', { name: 'Leave it as it was' }).click();
        await expect(cards).toHaveCount(left - 1);
    }
    // Colour is dabbed off again.
    await opened();
    await otherwise.getByRole('radio', { name: 'Took it off' }).click();
    await otherwise.getByRole('button', { name: 'Taken off' }).click();
    await expect(diary).toContainText('then a dab');
    // One turn is left out; then the network is away for a press.
    await page.keyboard.press('s');
    await expect(diary).toContainText('skipped');
    await context.setOffline(true);
    await page.keyboard.press('d');
    // What was on its way waits too.
    await expect(page.getByTestId('saved')).toHaveText(/waits? for the network$/);
    await context.setOffline(false);
    await expect(page.getByTestId('saved')).toHaveText('Saved');
    // To the end.
    const now = page.getByTestId('turn-now');
    for (let i = 0; i < 20 && !(await now.innerText()).includes('The plan is drawn'); i++) {
        const before = await page.getByTestId('turn-of').innerText();
        const goOn = page.getByRole('button', { name: 'Go on' });
        if (await goOn.isVisible()) await goOn.click();
        await page.keyboard.press('d');
        await expect(page.getByTestId('turn-of')).not.toHaveText(before);
    }
    await expect(now).toContainText('The plan is drawn.');
    await expect(page.getByTestId('saved')).toHaveText('Saved');
    await page.reload();
    await expect(now).toContainText('The plan is drawn.');
});

test.describe('under a finger, on a tablet held upright', () => {
    test.use({ hasTouch: true, viewport: { width: 768, height: 1024 } });

    test('a turn is ticked, told otherwise and undone; nothing to press is smaller than 48 px', async ({ page }) => {
        await openSmallPiece(page);
        const at = page.getByTestId('turn-of');
        await page.getByRole('button', { name: /^Done/ }).tap();
        await expect(at).toContainText('Turn 2 of');
        await page.getByRole('button', { name: /It went otherwise/ }).tap();
        const otherwise = page.getByTestId('otherwise');
        await otherwise.getByRole('button', { name: /Increase Coats/ }).tap();
        await page.getByRole('button', { name: /Diary and notes/ }).tap();
        const small = await page.evaluate(() =>
            [...document.querySelectorAll<HTMLElement>('main button, main label:has(input[type=checkbox])')]
                .filter((part) => part.checkVisibility())
                .map((part) => ({ part, box: part.getBoundingClientRect() }))
                .filter(({ box }) => box.width > 1 && (box.height < 47.5 || box.width < 43.5))
                .map(({ part, box }) => `${part.textContent} ${Math.round(box.width)} x ${Math.round(box.height)}`),
        );
        expect(small).toEqual([]);
        await otherwise.getByRole('button', { name: 'Done like this' }).tap();
        await expect(at).toContainText('Turn 3 of');
        await page.getByRole('button', { name: /^Undo/ }).tap();
        await expect(at).toContainText('Turn 2 of');
    });
});
