import { expect, expectSoundEverywhere, openHarbour, test } from './studio';

// Drawn to two thirds by the simulated hand after a plan of the same photo, and taken askew in warm light from one side.
const DRAWING = 'tests/Browser/harbour-two-thirds.jpg';

test('a photo of the drawing is compared zone by zone; another picture is refused in words', async ({ page }) => {
    await openHarbour(page);
    await page.goto(page.url().replace('/match', '/compare'));
    const checks = page.getByTestId('checks');
    await expect(checks).toContainText('with white paper all round it');
    const file = checks.locator('input[type=file]').nth(1);
    await file.setInputFiles('database/demo/lantern.jpg');
    await expect(checks.getByRole('alert')).toContainText('Nothing in this picture goes together', { timeout: 60_000 });
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
    // By corners that are moved with the keys, compared anew.
    await checks.getByRole('button', { name: /Corners of the drawing/ }).click();
    await checks.getByRole('button', { name: /Upper left corner/ }).focus();
    await page.keyboard.press('ArrowLeft');
    const before = await checks.getByRole('img', { name: /Your drawing/ }).getAttribute('src');
    await checks.getByRole('button', { name: 'Compare by these corners' }).click();
    await expect(checks.getByRole('img', { name: /Your drawing/ })).not.toHaveAttribute('src', before ?? '', {
        timeout: 60_000,
    });
    await expectSoundEverywhere(page);
    await page.reload();
    await expect(checks.getByRole('heading', { name: 'Three places that need the hand' })).toBeVisible();
});
