import { clickAt, expect, expectSound, openHarbour, openJugs, test, uploadJugs } from './studio';

test('from a photo to a planned picture, its drawing and its sheet', async ({ page }) => {
    await uploadJugs(page, 'Jugs to plan');
    await page.getByRole('link', { name: '3 Plan' }).click();
    await expect(page.getByText('Nothing to plan yet?', { exact: false })).toBeVisible();
    await page.getByRole('radio', { name: '8', exact: true }).click();
    const palette = page.getByTestId('palette');
    await expect(palette).toContainText('8 pencils come within dE00', { timeout: 60_000 });
    await expect(page.getByRole('heading', { name: /Lay out these \d/ })).toBeVisible();
    await expect(page.getByTestId('plan-head')).toContainText(/8 pencils, \d+ turns, .*misses by \d/);
    const list = page.getByRole('toolbar', { name: 'Zones' });
    await expect(list.getByRole('button', { name: /has a recipe/ }).first()).toBeVisible();

    // Without one of them, and with it again.
    const first = page.getByTestId('pencil').first();
    const number = (await first.locator('b').textContent()) ?? '';
    await page.getByRole('button', { name: `Leave out ${number}`, exact: true }).click();
    const back = page.getByRole('button', { name: new RegExp(`Allow \\w+:${number} again`) });
    await expect(back).toBeEnabled({ timeout: 60_000 });
    await expect(page.getByTestId('pencil').locator('b', { hasText: number })).toHaveCount(0, {
        timeout: 60_000,
    });
    await back.click();
    await expect(back).toHaveCount(0);
    await expect(palette).toContainText('8 pencils', { timeout: 60_000 });

    // The drawing, stage by stage, where the photo was.
    await page.getByRole('tab', { name: 'Preview' }).click();
    await page.getByRole('radio', { name: 'Drawing' }).click();
    const photo = page.getByTestId('photo');
    await expect(photo).toHaveAttribute('src', /simulation/);
    await expect
        .poll(() => photo.evaluate((image) => (image as HTMLImageElement).naturalWidth), { timeout: 30_000 })
        .toBe(1024);
    await page.getByRole('slider', { name: 'Stage' }).focus();
    await page.keyboard.press('Home');
    await expect(page).toHaveURL(/stage=0/);
    await expect(page.getByText('bare paper')).toBeVisible();
    await expect(page.getByTestId('value-check')).toContainText('off by L', { timeout: 30_000 });
});

test('a planned picture is ordered, joined and proven, and Match keeps to its palette', async ({ page }) => {
    await openHarbour(page);
    await page.keyboard.press('3');
    await page.getByRole('tab', { name: 'Ways of working' }).click();
    await page.getByRole('button', { name: /Over the picture/ }).click();
    await page.getByRole('option', { name: 'Colour by colour' }).click();
    await expect(page.getByText('Colour by colour: the same pencil', { exact: false })).toBeVisible({
        timeout: 20_000,
    });
    await clickAt(page, 0.22, 0.45);
    await page.getByRole('tab', { name: 'Advice' }).click();
    await expect(page.getByTestId('joins')).toContainText('mm');
    await expect(page.getByTestId('gradient')).toContainText('mm');
    await page.getByRole('tab', { name: 'Order' }).click();
    await expect(page.getByTestId('time')).toContainText('About');
    // A turn shows on the photo where it goes.
    const where = page.getByRole('button', { name: 'Show where turn 2 goes' });
    await where.click();
    await expect(page.getByTestId('veil')).toBeVisible();
    await where.click();
    await expect(page.getByTestId('veil')).toHaveCount(0);
    await expect(page.getByTestId('turn').filter({ hasText: 'Now, since' }).first()).toBeVisible();
    await expectSound(page);
    // The panels scroll, never the page under them.
    expect(await page.evaluate(() => document.documentElement.scrollHeight - innerHeight)).toBe(0);
    const sheet = await page.request.get(
        (await page.getByRole('link', { name: 'Plan sheet, PDF' }).getAttribute('href')) ?? '',
    );
    expect(sheet.headers()['content-type']).toBe('application/pdf');
    // What to mind beside the colours, and the whole planning taken back and made again.
    await expect(page.getByTestId('prep')).toContainText('kneaded eraser');
    await page.getByRole('tab', { name: 'Advice' }).click();
    await expect(page.getByTestId('advice')).toContainText('Finish');
    await page.getByRole('tab', { name: 'Order' }).click();
    await page.getByRole('button', { name: 'Test sheet' }).click();
    await expect(page.getByRole('heading', { name: /Prove this plan: Floats and buoy/ })).toBeVisible();
    await page.goBack();
    await page.keyboard.press('2');
    await page.getByRole('button', { name: 'More conditions' }).click();
    await page.getByText('From the palette').click();
    await expect(page.getByRole('article', { name: 'Recipe No. 1' })).toBeVisible();
    const used = await page.getByRole('article', { name: 'Recipe No. 1' }).locator('li b').first().textContent();
    await page
        .getByRole('button', { name: `Leave out ${used}` })
        .first()
        .click();
    await expect(page.getByRole('button', { name: new RegExp(`Use \\w+:${used} again`) })).toBeVisible();
});

test('a few given pencils are set to light, middle and dark, planned by value, and taken back', async ({ page }) => {
    await openJugs(page);
    await page.getByRole('link', { name: '3 Plan' }).click();
    await page.getByRole('tab', { name: 'Ways of working' }).click();
    await page.waitForLoadState('networkidle');
    // A list closes when what it stands in scrolls: first to where it is, then type.
    await page.getByRole('combobox', { name: 'Pencil 1' }).evaluate((field) => field.scrollIntoView());
    await page.waitForTimeout(300);
    const pick = async (label: string, number: string) => {
        await page.getByRole('combobox', { name: label }).fill(number);
        await page.getByRole('option', { name: new RegExp(`^${number}\\b`) }).click();
    };
    await expect(page.getByRole('button', { name: 'Set to light, middle, dark' })).toBeDisabled();
    await pick('Pencil 1', '5892');
    await pick('Pencil 2', '3769');
    await page.getByRole('button', { name: 'Set to light, middle, dark' }).click();
    await expect(page.getByTestId('designation')).toContainText(/5892 is light: .*3769 is dark/);
    await expect(page.getByRole('list', { name: 'Value ladder of these pencils' }).getByRole('listitem')).toHaveCount(
        9,
    );
    await expectSound(page);
    await page.getByRole('button', { name: 'Plan the picture with these, by value' }).click();
    await page.getByRole('tab', { name: 'Palette' }).click();
    await expect(page.getByTestId('palette')).toContainText('of a value step', { timeout: 60_000 });
    await expect(page.getByTestId('pencil')).toHaveCount(2);
    await page.getByRole('tab', { name: 'Order' }).click();
    await expect(page.getByTestId('turn').first()).toBeVisible();
    await page.getByRole('tab', { name: 'Palette' }).click();
    await page.getByRole('button', { name: 'Undo the plan' }).click();
    await expect(page.getByText('Nothing to plan yet?', { exact: false })).toBeVisible();
});

test('a colour that is typed is matched; what is none is refused', async ({ page }) => {
    await openHarbour(page);
    await page.getByRole('link', { name: '2 Match' }).click();
    await page.getByLabel(/Or type a colour/).fill('a nice blue');
    await page.getByRole('button', { name: 'Match it' }).click();
    await expect(page.getByText('is not a colour', { exact: false })).toBeVisible();
    await page.getByLabel(/Or type a colour/).fill('#446688');
    await page.getByRole('button', { name: 'Match it' }).click();
    await expect(page.getByRole('article', { name: 'Recipe No. 1' })).toBeVisible();
    await expect(page).toHaveURL(/typed=%23446688/);
    await page.reload();
    await expect(page.getByRole('article', { name: 'Recipe No. 1' })).toBeVisible();
    await page.getByRole('button', { name: 'Leave it' }).click();
    await expect(page).not.toHaveURL(/typed/);
});

test('toned paper takes black, white and one colour, and a school plans the picture anew', async ({ page }) => {
    await openJugs(page, 'fog-toned');
    await page.getByRole('link', { name: '3 Plan' }).click();
    await page.getByRole('tab', { name: 'Ways of working' }).click();
    await page.getByRole('button', { name: 'Plan with black, white and one colour' }).click();
    await page.getByRole('tab', { name: 'Palette' }).click();
    await expect(page.getByTestId('palette')).toContainText('3 pencils come within dE00', { timeout: 60_000 });
    await expect(page.getByRole('radio', { name: /^3 pencils/ })).toBeChecked();
    await expect(page.getByTestId('pencil').filter({ hasText: /1823|3769/ })).toHaveCount(2);
    // Laid, then planned anew by another school: what is begun stays.
    await page.getByRole('link', { name: '4 Draw' }).click();
    await page.getByRole('button', { name: /^Done/ }).click();
    await expect(page.getByText('1 behind you', { exact: false })).toBeVisible();
    await page.getByRole('link', { name: '3 Plan' }).click();
    await expect(
        page.getByText(
            /^(One recipe is begun on the paper and stays as it is|\d+ recipes are begun on the paper and stay as they are)\.$/,
        ),
    ).toBeVisible();
    await page.getByRole('tab', { name: 'Order' }).click();
    await expect(page.getByTestId('turn').first()).toBeVisible();
    await expect(page.getByTestId('turn').filter({ hasText: 'Tissue' })).toHaveCount(0);
    await page.getByRole('tab', { name: 'Ways of working' }).click();
    await page.getByRole('button', { name: 'All questions' }).click();
    await page.getByRole('button', { name: / Blending$/ }).click();
    await page.getByRole('option', { name: 'Tissue or cotton' }).click();
    await page.getByRole('tab', { name: 'Order' }).click();
    await expect(page.getByTestId('turn').filter({ hasText: 'Tissue' }).first()).toBeVisible({ timeout: 60_000 });
    await expectSound(page);
    await page.keyboard.press('2');
    await clickAt(page, 0.22, 0.45);
    await page.getByRole('button', { name: 'More conditions' }).click();
    await page.getByText('Black and white freely').click();
    await expect(page.getByRole('article', { name: 'Recipe No. 1' })).toBeVisible();
});
