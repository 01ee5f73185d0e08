import { readFileSync } from 'node:fs';
import { expect, openDemo, openHarbour, sampleAt, test } from './studio';

// Nothing is lost, nothing is told by hue or hover alone, and a hand with a pencil in it can use it.

test('two windows do not overwrite each other silently', async ({ page, context }) => {
    await openHarbour(page);
    await page.getByRole('button', { name: /Wall boards/ }).click();
    await expect(page).toHaveURL(/zone=/);
    await page.getByRole('link', { name: 'Look' }).click();
    await expect(page).toHaveURL(/look\?.*zone=/);
    const other = await context.newPage();
    await other.goto(page.url());
    await expect(other.getByLabel('Name of the zone')).toHaveValue('Wall boards');

    await page.getByLabel('Name of the zone').fill('Boards, grey');
    await page.getByRole('button', { name: 'Rename' }).click();
    await expect(page.getByText('Renamed to Boards, grey', { exact: true })).toBeVisible();

    await other.getByLabel('Name of the zone').fill('Boards, blue');
    await other.getByRole('button', { name: 'Rename' }).click();
    await expect(other.getByText('This zone was changed meanwhile', { exact: false })).toBeVisible();
    await page.reload();
    await expect(page.getByLabel('Name of the zone')).toHaveValue('Boards, grey');

    // Named as before, for whoever comes next.
    await page.getByLabel('Name of the zone').fill('Wall boards');
    await page.getByRole('button', { name: 'Rename' }).click();
    await expect(page.getByRole('button', { name: /Wall boards/ }).first()).toBeVisible();
});

test('a removed zone is taken back with its recipe', async ({ page }) => {
    await openHarbour(page);
    await page.getByRole('button', { name: /Green float, lower/ }).click();
    await page.getByRole('link', { name: 'Look' }).click();
    await page.getByRole('button', { name: 'Remove', exact: true }).click();
    const strip = page.getByRole('toolbar', { name: 'Zones' });
    await expect(strip.getByText('Green float, lower')).toHaveCount(0);
    await page.getByRole('button', { name: 'Take back' }).click();
    await expect(strip.getByRole('button', { name: /Green float, lower, has a recipe/ })).toBeVisible();
});

test('a colour as light as the paper leaves it bare, and a value is matched by value only', async ({ page }) => {
    await openHarbour(page);
    await page.getByRole('link', { name: '2 Match' }).click();
    await page.getByLabel(/Or type a colour/).fill('#fdfdfb');
    await page.getByRole('button', { name: 'Match it' }).click();
    await expect(page.getByTestId('recipe').filter({ hasText: 'Leave the paper bare.' }).first()).toBeVisible();
    await page.getByRole('button', { name: /Small float, blue/ }).click();
    await page.getByRole('button', { name: 'More conditions' }).click();
    await page.getByText('Value only').click();
    await expect(page.getByRole('article', { name: 'Recipe No. 1' })).toBeVisible();
});

test('fewer pencils give other recipes', async ({ page }) => {
    await openHarbour(page);
    await sampleAt(page, 0.5, 0.12);
    await expect(page.getByTestId('recipe').first()).toBeVisible();
    await page.getByRole('button', { name: 'More conditions' }).click();
    await page.getByRole('button', { name: /Pencils, at most/ }).click();
    await page.getByRole('option', { name: '1', exact: true }).click();
    await expect(page.getByRole('article', { name: 'Recipe No. 1' })).toBeVisible();
    // It comes last.
    await expect(page.getByRole('article', { name: 'Recipe Nearest single' })).toBeVisible();
    for (const card of await page.getByTestId('recipe').all()) {
        const numbers = await card.locator('li b').allTextContents();
        expect(new Set(numbers).size).toBeLessThanOrEqual(1);
    }
});

test('another paper and school are kept, and the plan follows', async ({ page }) => {
    await openHarbour(page);
    const before = await (async () => {
        await page.getByRole('link', { name: 'Plan' }).click();
        await page.getByRole('tab', { name: 'Order' }).click();
        await expect(page.getByTestId('turn').first()).toBeVisible();

        return page.getByTestId('turn').allTextContents();
    })();
    await page.getByRole('tab', { name: 'Ways of working' }).click();
    await page.getByRole('button', { name: /Which value first/ }).click();
    await page.getByRole('option', { name: 'Dark to light' }).click();
    await expect(page.getByText('Dark to light: the darks anchor', { exact: false })).toBeVisible();
    await page.getByRole('tab', { name: 'Order' }).click();
    await expect.poll(() => page.getByTestId('turn').allTextContents()).not.toEqual(before);
    await page.getByRole('tab', { name: 'Ways of working' }).click();
    // Back to what the studio says, wherever that is chosen.
    await page.getByRole('button', { name: 'Which value first: As the studio' }).click();
    await expect(page.getByText('Light to dark: the pale layers', { exact: false })).toBeVisible();
    await page.getByRole('link', { name: 'Studio' }).click();
    const blacks = page.getByTestId('school-blackAndWhite');
    await blacks.getByText('Never', { exact: true }).click();
    await expect(page.getByText('No black and no white pencil', { exact: false })).toBeVisible();
    await page.goBack();
    await page.getByRole('button', { name: 'All questions' }).click();
    await expect(page.getByText('No black and no white pencil', { exact: false })).toBeVisible();
    await page.getByRole('link', { name: 'Studio' }).click();
    await blacks.getByText('Only last', { exact: true }).click();
    await expect(blacks.getByRole('radio', { name: 'Only last' })).toBeChecked();
});

test('Draw is for a hand that holds a pencil: large targets, the number larger still', async ({ page }) => {
    await page.setViewportSize({ width: 1024, height: 768 });
    await openHarbour(page);
    await page.keyboard.press('4');
    await page.getByRole('button', { name: /^Done/ }).click();
    await expect(page.getByTestId('turn-of')).toContainText('Turn 2 of');
    for (const name of [/Done/, /Skip/, /Undo/]) {
        const box = await page.getByRole('button', { name }).boundingBox();
        expect(box?.height).toBeGreaterThanOrEqual(44);
        expect(box?.width).toBeGreaterThanOrEqual(44);
        await expect(page.getByRole('button', { name })).toBeInViewport();
    }
    const number = page.getByTestId('turn-now').getByText(/^\d{3,4}$/);
    expect(await number.evaluate((element) => parseFloat(getComputedStyle(element).fontSize))).toBeGreaterThanOrEqual(
        100,
    );
    await expect(page.getByTestId('turn-now')).toContainText(/\d+ % (whisper|light|easy|medium|firm|burnish)/);
    await page.getByRole('button', { name: /Undo/ }).click();
    await expect(page.getByTestId('turn-of')).toContainText('Turn 1 of');
});

test('when the studio does not answer, the page says so and tries again', async ({ page }) => {
    await openHarbour(page);
    await page.route('**/plan', (route) => route.abort());
    await page.getByRole('link', { name: 'Plan' }).click();
    await expect(page.getByText('The studio does not answer', { exact: false })).toBeVisible({ timeout: 15_000 });
    await page.unroute('**/plan');
    await page.getByRole('button', { name: 'Try again' }).click();
    await expect(page.getByTestId('plan-head')).toBeVisible();
});

test('a long search shows that it goes on, a quick one does not flicker', async ({ page }) => {
    await openHarbour(page);
    await page.route('**/recipes', async (route) => {
        await new Promise((done) => setTimeout(done, 900));
        await route.continue();
    });
    const answered = page.waitForResponse('**/recipes');
    await sampleAt(page, 0.13, 0.06);
    await expect(page.getByText('Trying stacks')).toBeVisible();
    await expect(page.getByTestId('recipe').first()).toBeVisible();
    await expect(page.getByText('Trying stacks')).toHaveCount(0);
    const body = await (await answered).body();

    // The same answer at once, for another spot: whatever is shown meanwhile is noted.
    await page.unroute('**/recipes');
    await page.route('**/recipes', (route) => route.fulfill({ body, contentType: 'application/json' }));
    await page.evaluate(() => {
        new MutationObserver(() => {
            if (document.body.innerText.includes('Trying stacks')) document.documentElement.dataset.flickered = 'yes';
        }).observe(document.body, { childList: true, subtree: true, characterData: true });
    });
    const again = page.waitForResponse('**/recipes');
    await sampleAt(page, 0.4, 0.85);
    await again;
    await expect(page.getByTestId('recipe').first()).toBeVisible();
    expect(await page.evaluate(() => document.documentElement.dataset.flickered)).toBeUndefined();
});

test('addresses that are nowhere say so', async ({ page }) => {
    await openDemo(page);
    await page.goto('/pieces/01HZZZZZZZZZZZZZZZZZZZZZZZ/match');
    await expect(page.getByText('There is no such piece in your studio.')).toBeVisible();
    await page.goto('/attic');
    await expect(page.getByText('There is nothing at this address')).toBeVisible();
    await page.getByRole('link', { name: 'To your pieces' }).click();
    await expect(page.getByRole('heading', { name: 'Pieces' })).toBeVisible();
});

test('pencils are found by number, name, old name and family', async ({ page }) => {
    await openDemo(page);
    await page.getByRole('navigation', { name: 'Places' }).getByRole('link', { name: 'Pencils' }).click();
    const find = page.getByLabel('Number, name, old name, family');
    for (const [wanted, found] of [
        ['6945', /LO 6945 Flare/],
        ['harvest buoy', /LO 2341 Harvest Buoy/],
        ['flag blue', /QW 6858 Pennant Blue/],
        ['brown with some yellow', /Rigging/],
    ] as const) {
        await find.fill(wanted);
        await expect(page.getByRole('row', { name: found })).toBeVisible();
    }
    await find.fill('no such pencil');
    await expect(page.getByText('No pencil answers to that.', { exact: false })).toBeVisible();
    await find.fill('6945');
    const flare = page.getByRole('row', { name: /LO 6945 Flare/ }).getByRole('button');
    await expect(flare).toHaveAttribute('aria-pressed', 'true');
    await flare.click();
    await expect(flare).toHaveAttribute('aria-pressed', 'false');
    await page.getByRole('button', { name: 'Take back' }).click();
    await expect(flare).toHaveAttribute('aria-pressed', 'true');
});

test('a forgotten password is set anew by the link in the mail', async ({ page }) => {
    const mail = `runa${test.info().retry}@example.org`;
    await page.goto('/register');
    await page.getByLabel('Your name').fill('Runa');
    await page.getByLabel('E-mail').fill(mail);
    await page.getByLabel('Password, 10 characters or more').fill('ten pencils');
    await page.getByLabel('Password again').fill('ten pencils');
    await page.getByRole('button', { name: 'Open the studio' }).click();
    await page.getByRole('button', { name: /Sign out/ }).click();
    await page.getByRole('link', { name: 'Forgot the password' }).click();
    await page.getByLabel('E-mail').fill(mail);
    await page.getByRole('button', { name: 'Send a link' }).click();
    await expect(page.getByText('a link is on its way', { exact: false })).toBeVisible();

    // Mails go to the log here.
    const log = readFileSync('storage/logs/laravel.log', 'utf8');
    const link = [
        ...log.matchAll(/http:\/\/127\.0\.0\.1:\d+(\/reset-password\?token=\w+&email=runa\d+%40example\.org)/g),
    ].at(-1)?.[1];
    await page.goto(link ?? '');
    await page.getByLabel('Password, 10 characters or more').fill('twelve pencils');
    await page.getByLabel('Password again').fill('eleven pencils');
    await page.getByRole('button', { name: 'Change the password' }).click();
    await expect(page.getByText(/The two passwords differ/)).toBeVisible();
    await page.getByLabel('Password again').fill('twelve pencils');
    await page.getByRole('button', { name: 'Change the password' }).click();
    await expect(page.getByText('The password is changed.', { exact: false })).toBeVisible();
    await page.getByRole('link', { name: 'Back to sign in' }).click();
    await page.getByLabel('E-mail').fill(mail);
    await page.getByLabel('Password').fill('twelve pencils');
    await page.getByRole('button', { name: 'Sign in' }).click();
    await expect(page.getByRole('heading', { name: 'Which pencils do you have?' })).toBeVisible();
});

test('the light of the desk is kept', async ({ page }) => {
    await openDemo(page);
    const ground = () => page.evaluate(() => getComputedStyle(document.body).backgroundColor);
    const daylight = await ground();
    await page.getByRole('button', { name: 'Dim studio' }).click();
    expect(await ground()).not.toBe(daylight);
    const dim = await ground();
    await page.reload();
    await expect(page.getByRole('button', { name: 'Daylight desk' })).toBeVisible();
    expect(await ground()).toBe(dim);
});

test('nothing but the studio itself is asked for anything', async ({ page, baseURL }) => {
    const asked = new Set<string>();
    page.on('request', (request) => asked.add(new URL(request.url()).origin));
    await openHarbour(page);
    await page.getByRole('button', { name: /Buoy, light red/ }).click();
    await expect(page.getByTestId('recipe').first()).toBeVisible();
    expect([...asked].filter((origin) => origin !== new URL(baseURL ?? '').origin && origin !== 'null')).toEqual([]);
});
