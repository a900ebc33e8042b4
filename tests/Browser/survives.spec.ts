import { expect, test } from '@playwright/test';
import { clean } from './axe';
import { cell, openSheet } from './pages';

test('candidates go through a host, one is recommended, and becomes the column', async ({ page }) => {
    test.setTimeout(240_000);
    await openSheet(page, 'pair-2.mp4', 'Pair 2');
    await page.getByRole('link', { name: 'What survives' }).click();
    await expect(page).toHaveTitle('What survives of Pair 2 · Outer Crate');
    await expect(page.getByRole('heading', { name: 'Nothing has been tested yet' })).toBeVisible();
    await expect(page.getByRole('combobox', { name: 'Around' })).toHaveValue('1');
    // Places that matter to the person are drawn on the strip, by keyboard: the second replaces what lies under it.
    await page.getByRole('combobox', { name: 'Pieces' }).selectOption('hand');
    const run = page.getByRole('button', { name: 'Test', exact: true });
    await expect(run).toBeDisabled();
    const strip = page.getByRole('slider', { name: /^Pieces on the strip/ });
    await strip.press('Enter');
    await strip.press('End');
    await strip.press('Enter');
    await expect(page.getByText(/^1 piece, 0\.8 s/)).toBeVisible();
    await strip.press('Delete');
    await expect(run).toBeDisabled();
    await page.getByRole('combobox', { name: 'Pieces' }).selectOption('analysis');
    // What is varied makes the number of candidates.
    await page.getByRole('button', { name: /^Rates × 0\.5, 1, 2, 4/ }).press('Enter');
    await page.getByRole('checkbox', { name: 'one up' }).press('Space');
    await expect(page.getByText('8 candidates', { exact: true })).toBeVisible();
    await page.getByRole('button', { name: 'As usual' }).press('Enter');
    await page.getByRole('button', { name: 'Done' }).press('Enter');
    await run.click();
    // It gives way to what earlier tests left in the queue.
    await expect(page.getByText(/Testing 4 candidates/)).toBeVisible({ timeout: 60_000 });

    const table = page.getByRole('table', { name: 'What is left of each candidate' });
    await expect(table.getByRole('row')).toHaveCount(5, { timeout: 120_000 });
    await expect(page.getByText('A simulation of what Lanternwick publishes or was taught.')).toBeVisible();
    // The bitrates that were really used: twice as much from one upload to the next, and what the host makes of it.
    await expect(table.getByRole('cell', { name: /^[\d.]+ → 0\.[\d]+$/ })).toHaveCount(4);
    const why = page.getByText(/dB SSIM on a screen of 480 lines for/);
    await expect(why).toBeVisible();

    await clean(page, 'what survives');

    // Whoever cares for nothing but the size is told the smallest: by keyboard.
    const weights = ['picture', 'making', 'sending'].map((name) =>
        page.getByRole('slider', { name: `Weight of ${name}` }),
    );
    for (const weight of weights) {
        await weight.press('Home');
    }
    // One that follows at once takes nothing of it back.
    for (const weight of weights) {
        await expect(weight).toHaveValue('0');
    }
    const smallest = await table.getByRole('rowheader').first().textContent();
    // Between a figure and its unit there is a thin space, which names for screen readers leave wide.
    const named = (smallest ?? '').replace(/\s/g, '.');
    await expect(why).toContainText(new RegExp(`^${named} leaves`));
    // The plot and the table say the same of a candidate.
    await page.getByRole('button', { name: new RegExp(`^${named}: .* dB$`) }).press('Enter');
    await expect(table.getByRole('row', { selected: true })).toContainText(smallest ?? '');

    // The eyes have the last word, by keyboard.
    await page.getByRole('link', { name: new RegExp(`^Look at ${named} beside the cut`) }).click();
    await expect(page).toHaveTitle(/^Compare Pair 2 at Lanternwick/);
    const state = page.getByText(/^frame \d+ · \d+ of 20/);
    await expect(page.getByRole('img', { name: /^After the host, .*, frame 0$/ })).toBeVisible();
    await clean(page, 'side by side');
    await page.keyboard.press('ArrowRight');
    await expect(state).toContainText('frame 1 · 2 of 20');
    await page.keyboard.press('d');
    await expect(page.getByRole('img', { name: 'Difference × 8, frame 1' })).toBeVisible();
    await page.keyboard.press('End');
    await expect(state).toContainText('20 of 20');
    for (const [key, text] of [
        ['z', '100 %'],
        ['l', 'gamma 2'],
        ['h', 'histogram'],
        ['s', 'side by side'],
    ] as const) {
        await page.keyboard.press(key);
        await expect(page.getByRole('button', { pressed: true, name: new RegExp(text) })).toBeVisible();
    }
    // Where something is wrong is drawn over it, and said; a third file stands between the two.
    await page.keyboard.press('o');
    await expect(page.getByText('detail lost', { exact: false }).first()).toBeVisible({ timeout: 30_000 });
    await page.keyboard.press('o');
    await page.keyboard.press('t');
    await expect(page.getByLabel('Middle: which file')).toBeVisible();
    await page.keyboard.press('t');
    await expect(page.getByLabel('Middle: which file')).toHaveCount(0);
    // What is drawn is the picture that the server gave, pixel by pixel.
    await page.keyboard.press('l');
    await page.keyboard.press('l');
    const cutPicture = page.getByRole('img', { name: /^The cut, .*, frame 19$/ });
    const isExact = () =>
        cutPicture.evaluate(async (canvas) => {
            const own = canvas as HTMLCanvasElement;
            const image = new Image();
            image.src = `/api/tests/${location.pathname.split('/').at(-1)}/pictures/cut/19`;
            await image.decode();
            const one = document.createElement('canvas');
            [one.width, one.height] = [image.width, image.height];
            const context = one.getContext('2d') as CanvasRenderingContext2D;
            context.drawImage(image, 0, 0);
            const at = [Math.round((own.width - image.width) / 2), Math.round((own.height - image.height) / 2)];
            const read = (from: CanvasRenderingContext2D, x: number, y: number) =>
                [...from.getImageData(x, y, 64, 64).data].join(',');
            const shown = own.getContext('2d') as CanvasRenderingContext2D;
            return read(shown, (at[0] ?? 0) + 100, (at[1] ?? 0) + 50) === read(context, 100, 50);
        });
    await expect.poll(isExact).toBe(true);
    await page.goBack();
    await page.getByRole('button', { name: 'Keep as a preset …' }).press('Enter');
    await page.getByLabel('Name', { exact: true }).fill('As tested');
    await page.keyboard.press('Enter');
    await expect(page.getByRole('link', { name: 'As tested is kept' })).toBeVisible();
    await page.getByRole('button', { name: 'Use it for column 2' }).click();
    await expect(cell(page, 'Bitrate', 2)).toContainText('you');
    await expect(cell(page, 'Bitrate', 2)).toContainText(new RegExp(`VBR, 2 passes · ${named.split('.')[0]}`));
});
