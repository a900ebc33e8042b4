import { existsSync } from 'node:fs';
import { expect, type Page, test } from '@playwright/test';
import { cell, openSheet, result, scratch } from './pages';

const head = (page: Page, output: number) => page.getByRole('button', { name: new RegExp(`^Output ${output}:`) });

test('cells and columns are copied, pasted, moved and taken away by keyboard, and every step survives a reload', async ({
    page,
}) => {
    await openSheet(page, 'wheel.mp4', 'Wheel');
    const presets = await page.getByRole('columnheader').allTextContents();

    // A column is copied from its head and pasted beside it.
    await head(page, 2).focus();
    await page.keyboard.press('Control+c');
    await page.keyboard.press('Control+v');
    await expect(head(page, 3)).toBeVisible();

    // A cell goes across columns; it does not fit another row.
    await cell(page, 'Bitrate', 2).click();
    await page.getByLabel('Average', { exact: true }).fill('2.5');
    await page.getByLabel('Average', { exact: true }).press('Enter');
    await expect(cell(page, 'Bitrate', 2)).toContainText('2.5');
    await cell(page, 'Bitrate', 2).focus();
    await page.keyboard.press('Control+c');
    await cell(page, 'Audio', 3).focus();
    await page.keyboard.press('Control+v');
    await expect(page.getByText('What was copied belongs in the row Bitrate.')).toBeAttached();
    await cell(page, 'Bitrate', 3).focus();
    await page.keyboard.press('Control+v');
    await expect(cell(page, 'Bitrate', 3)).toContainText('2.5');
    await page.keyboard.press('Delete');
    await expect(cell(page, 'Bitrate', 3)).not.toContainText('2.5');

    // Alt with an arrow moves a column, Delete on its head takes it away.
    await head(page, 1).focus();
    await page.keyboard.press('Alt+ArrowRight');
    await expect(page.getByRole('columnheader').nth(2)).toContainText('Archive 10-bit');
    await expect(head(page, 2)).toBeFocused();
    await page.keyboard.press('Delete');
    await expect(page.getByText('Archive 10-bit')).toHaveCount(0);

    await page.reload();
    await expect(cell(page, 'Bitrate', 1)).toContainText('2.5');
    for (let step = 0; step < 6; step++) {
        await page.getByRole('button', { name: 'Undo' }).click();
    }
    await expect(page.getByRole('button', { name: 'Undo' })).toBeDisabled();
    await expect.poll(async () => page.getByRole('columnheader').allTextContents()).toEqual(presets);
});

test('Esc takes back what an editor changed, a refused number stays where it was typed, and a codec leaves the loudness', async ({
    page,
}) => {
    await openSheet(page, 'wheel.mp4', 'Wheel');
    const before = await cell(page, 'Bitrate', 2).textContent();
    await cell(page, 'Bitrate', 2).click();
    await page.getByLabel('Average', { exact: true }).fill('3.3');
    await expect(cell(page, 'Bitrate', 2)).toContainText('3.3');
    await page.getByLabel('Average', { exact: true }).press('Escape');
    await expect(page.getByLabel('Average', { exact: true })).toHaveCount(0);
    await expect(cell(page, 'Bitrate', 2)).toHaveText(before ?? '');
    await expect(page.getByRole('button', { name: 'Undo' })).toBeDisabled();

    await cell(page, 'Bitrate', 2).click();
    await page.getByLabel('Average', { exact: true }).fill('9000');
    await expect(page.getByRole('alert')).toContainText('A bitrate lies between');
    await expect(page.getByRole('radio', { name: 'VBR, 2 passes' })).toBeChecked();
    await expect(page.getByLabel('Average', { exact: true })).toHaveValue('9000');
    await page.keyboard.press('Escape');
    await expect(cell(page, 'Bitrate', 2)).toHaveText(before ?? '');

    await cell(page, 'Audio', 2).click();
    await page.getByRole('textbox', { name: 'Loudness' }).fill('-20');
    await page.getByRole('textbox', { name: 'Loudness' }).press('Tab');
    await expect(cell(page, 'Audio', 2)).toContainText('−20');
    // What came of following the host is not what was chosen.
    await expect(page.locator('[role=option][aria-current]')).toHaveText(/As the host asks/);
    await page.getByRole('option', { name: 'AAC 128 kb/s' }).click();
    await expect(cell(page, 'Audio', 2)).toContainText('128');
    await expect(cell(page, 'Audio', 2)).toContainText('−20');
    await page.getByRole('button', { name: 'Undo' }).click();
    await page.getByRole('button', { name: 'Undo' }).click();
    await expect(page.getByRole('button', { name: 'Undo' })).toBeDisabled();
});

test('a column is dragged to another place', async ({ page }) => {
    await openSheet(page, 'wheel.mp4', 'Wheel');
    await expect(page.getByRole('columnheader').nth(1)).toContainText('Archive 10-bit');
    await page.getByRole('columnheader').nth(1).dragTo(page.getByRole('columnheader').nth(2));
    await expect(page.getByRole('columnheader').nth(2)).toContainText('Archive 10-bit');
    await page.keyboard.press('Control+z');
    await expect(page.getByRole('columnheader').nth(1)).toContainText('Archive 10-bit');
    await page.waitForLoadState('networkidle');
});

test('a change that waits its turn is not lost when the page is left', async ({ page }) => {
    await openSheet(page, 'wheel.mp4', 'Wheel');
    // The first change is held up on its way, so that the second waits behind it.
    let held = 0;
    await page.route('**/api/cuts/*/sheet', async (route) => {
        if (route.request().method() === 'PUT' && held++ === 0) {
            await new Promise((resolve) => setTimeout(resolve, 3_000));
        }
        await route.continue().catch(() => undefined);
    });
    for (const rule of ['Half', 'At least 50 fps']) {
        await cell(page, 'Frame rate', 2).click();
        await page.getByRole('option', { name: rule }).click();
        await expect(page.getByRole('option')).toHaveCount(0);
    }
    expect(held).toBe(1);
    await page.reload();
    await expect(cell(page, 'Frame rate', 2)).toContainText('50');
    await page.keyboard.press('Control+z');
    await page.keyboard.press('Control+z');
    await expect(cell(page, 'Frame rate', 2)).toContainText('follows');
    await page.waitForLoadState('networkidle');
});

test('two columns are compared by what differs alone', async ({ page }) => {
    await openSheet(page, 'wheel.mp4', 'Wheel');
    await page.getByRole('button', { name: 'Duplicate output 2' }).click({ force: true });
    await cell(page, 'Keyframes', 3).click();
    await page.getByRole('textbox', { name: 'B-frames' }).fill('0');
    await expect(cell(page, 'Keyframes', 3)).toContainText('0 B');
    await page.getByRole('textbox', { name: 'B-frames' }).press('Tab');
    await page.keyboard.press('Escape');
    await page.getByRole('button', { name: 'Compare output 2' }).click({ force: true });
    await expect(page.getByText('Choose the column to compare 2 with')).toBeVisible();
    await page.getByRole('button', { name: 'Compare output 3' }).click({ force: true });
    await expect(page.getByText('Comparing 2 and 3: 4 rows differ')).toBeVisible();
    await expect(page.getByRole('rowheader', { name: 'B-frames' })).toBeVisible();
    await expect(page.getByRole('rowheader', { name: 'Video codec', exact: true })).toHaveCount(0);
    await page.getByRole('button', { name: 'Show all' }).click();
    await expect(page.getByRole('rowheader', { name: 'Video codec' })).toBeVisible();
    await page.getByRole('button', { name: 'Remove output 3' }).click({ force: true });
});

test('what is rarely used unfolds, is set where it stands, and then stays in sight', async ({ page }) => {
    await openSheet(page, 'wheel.mp4', 'Wheel');
    await expect(cell(page, 'Dither', 2)).toHaveCount(0);
    await page.getByRole('button', { name: 'What is rarely used of Colour' }).click();
    await cell(page, 'Dither', 2).click();
    await page.getByRole('radio', { name: 'Diffused' }).click();
    await page.keyboard.press('Escape');
    await expect(cell(page, 'Dither', 2)).toContainText('Diffused');
    await page.getByRole('button', { name: 'What is rarely used of Colour' }).click();
    await expect(cell(page, 'Gamma', 2)).toHaveCount(0);
    await expect(cell(page, 'Dither', 2)).toBeVisible();

    // A name is a template, and says at once what it becomes.
    await cell(page, 'Name', 2).click();
    await page.getByRole('textbox', { name: 'Template' }).fill('{cut} {height}p{fps} v{n}');
    await expect(cell(page, 'Name', 2)).toContainText(/Wheel \d+p[\d.]+ v1\.mp4/);
    await page.getByRole('textbox', { name: 'Template' }).fill('{cut} {weather}');
    await expect(page.getByRole('alert')).toContainText('no field “{weather}”');
    await page.getByRole('button', { name: 'Put back' }).click();
    await expect(cell(page, 'Name', 2)).toContainText('Wheel Lanternwick.mp4');
});

test('a size that depends on the picture is measured while one looks', async ({ page }) => {
    await openSheet(page, 'wheel.mp4', 'Wheel');
    await cell(page, 'Bitrate', 2).click();
    await page.getByRole('radio', { name: 'Quality' }).click();
    await page.keyboard.press('Escape');
    await expect(result(page, 'File', 2).getByTitle(/from pieces that were encoded/)).toBeVisible({ timeout: 30_000 });
    await expect(page.getByText('measuring …')).toHaveCount(0, { timeout: 30_000 });
});

test('the hurried need three actions from the shelf', async ({ page }) => {
    await openSheet(page, 'wheel.mp4', 'Wheel');
    await page.goto('/');
    await page.getByRole('row', { name: /wheel\.mp4/ }).hover();
    await page.getByRole('button', { name: 'Pack Wheel' }).click();
    await page.getByRole('combobox', { name: 'Preset' }).fill('mp3 sound');
    await expect(page.getByText(/^A sound file of ≈/)).toBeVisible();
    await page.getByRole('button', { name: 'Pack', exact: true }).click();
    await expect.poll(() => existsSync(`${scratch()}/out/Wheel/Wheel sound.mp3`), { timeout: 30_000 }).toBe(true);
});

test('black bars that were found in a cut are left out in one step, and come back with another', async ({ page }) => {
    await openSheet(page, 'pillars.mp4', 'Pillars');
    await expect(cell(page, 'Frame size', 2)).toContainText('320×180');
    // Known once the picture was looked at.
    await expect(result(page, 'Findings', 2)).toContainText('Black bars are part of the cut', { timeout: 60_000 });
    await result(page, 'Findings', 2).getByRole('button').click();
    await page.getByRole('button', { name: 'Leave them out: 240×180 is left' }).click();
    await expect(cell(page, 'Frame size', 2)).toContainText('240×180 · bars left out');
    await page.keyboard.press('Escape');
    await page.keyboard.press('Control+z');
    await expect(cell(page, 'Frame size', 2)).not.toContainText('bars left out');
    // The same stands in the cell's editor, beside the sizes.
    await cell(page, 'Frame size', 2).click();
    await page.getByRole('radio', { name: 'Leave out' }).click();
    await expect(cell(page, 'Frame size', 2)).toContainText('240×180 · bars left out');
    await page.getByRole('textbox', { name: 'Frame', exact: true }).fill('640×360');
    await expect(cell(page, 'Frame size', 2)).toContainText('640×360 · 480×360 inside · bars left out');
    await page.getByRole('radio', { name: 'Crop' }).click();
    await expect(cell(page, 'Frame size', 2)).toContainText('640×360 · cropped · bars left out');
});
