import { createHash } from 'node:crypto';
import { existsSync, readdirSync, readFileSync, statSync } from 'node:fs';
import { expect, test } from '@playwright/test';
import { cell, openSheet, result, scratch } from './pages';

test('a cut goes in, a master and two uploads come out', async ({ page }) => {
    await page.goto('/');
    await expect(page.getByText('The shelf is empty')).toBeVisible();
    await openSheet(page, 'bowl.mov', 'Bowl');

    // One master and one upload stand there, decided, each value with its origin.
    await expect(page.getByRole('columnheader', { name: /master.*Archive 10-bit/i })).toBeVisible();
    await expect(cell(page, 'Video codec', 2)).toContainText('H.264 High');
    await expect(cell(page, 'Bitrate', 2)).toContainText('asks 132 kb/s × 1.8, under its 360 lines');

    // The estimate follows the average.
    const before = await result(page, 'File', 2).textContent();
    await cell(page, 'Bitrate', 2).click();
    await page.getByLabel('Average', { exact: true }).fill('3');
    await expect(result(page, 'File', 2)).not.toHaveText(before ?? '');
    await page.getByLabel('Average', { exact: true }).press('Enter');
    await expect(cell(page, 'Bitrate', 2)).toContainText('you');

    // A third output from a preset and a host.
    await page.getByRole('button', { name: 'Add an output' }).click();
    await page.getByRole('option', { name: /^Review 720/ }).click();
    await page.getByLabel('For', { exact: true }).selectOption('Platen');
    await page.getByRole('button', { name: 'Add', exact: true }).click();
    await expect(page.getByRole('columnheader', { name: /Review 720 → Platen/ })).toBeVisible();
    await expect(page.getByText(/A 10-bit master of .* and a review file of/)).toBeVisible();

    await page.getByRole('button', { name: 'Pack 3 files' }).click();
    const belt = page.getByRole('region', { name: 'Strip' });
    await expect(belt.getByText('master').first()).toBeVisible();
    await expect(belt.getByRole('link', { name: 'Slips of Bowl' })).toBeVisible({ timeout: 60_000 });
    await belt.getByRole('link', { name: 'Slips of Bowl' }).click();

    // The slips, side by side, tell the truth about the files on the disk.
    await expect(page.getByRole('heading', { name: 'Slips of Bowl' })).toBeVisible();
    await expect(page.getByRole('link', { name: 'Download' })).toHaveCount(3);

    expect(readdirSync(`${scratch()}/out/Bowl`).sort()).toEqual([
        'Bowl Lanternwick.mp4',
        'Bowl master.mov',
        'Bowl review.mp4',
    ]);
    const master = readFileSync(`${scratch()}/out/Bowl/Bowl master.mov`);
    const sum = createHash('sha256').update(master).digest('hex');
    await expect(page.getByTitle(sum)).toBeVisible();
    await expect(page.getByTitle(`${master.length.toLocaleString('en')} bytes`)).toBeVisible();
    await expect(
        page.getByRole('row', { name: /^Location/ }).getByTitle(`${scratch()}/out/Bowl/Bowl master.mov`),
    ).toBeVisible();

    // Among all that was made, the file is found by words of its names.
    await page.getByRole('link', { name: 'Slips', exact: true }).click();
    await page.getByLabel('Search').fill('bowl lantern');
    await expect(page.getByRole('row')).toHaveCount(2);
    await page.getByLabel('Host').selectOption('none');
    await expect(page.getByText('No file matches')).toBeVisible();
    await page.getByRole('button', { name: 'Show all files' }).click();
    await page.getByRole('link', { name: 'Bowl Lanternwick.mp4' }).click();
    await expect(page.getByRole('heading', { name: 'Slips of Bowl' })).toBeVisible();

    const download = page.waitForEvent('download');
    await page.getByRole('link', { name: 'Download' }).first().click();
    const path = await (await download).path();
    expect(statSync(path).size).toBe(master.length);

    // How long the upload took to its host is said once, and teaches how fast the line sends.
    await page.getByRole('button', { name: 'enter upload time' }).first().click();
    await page.getByLabel('Sending it took').fill('soon');
    await page.getByRole('button', { name: 'Keep' }).click();
    await expect(page.getByRole('alert')).toContainText('42:10');
    await page.getByLabel('Sending it took').fill('1:00');
    await page.getByRole('button', { name: 'Keep' }).click();
    await expect(page.getByRole('row', { name: /^Sent in/ })).toContainText('1:00 ·');
    await page.getByRole('link', { name: 'To its sheet' }).click();
    await expect(result(page, 'To send', 2)).not.toContainText('at 5 Mb/s');
});

test('the sheet is worked by keyboard, and every change can be taken back', async ({ page }) => {
    await openSheet(page, 'bowl.mov', 'Bowl');
    const rate = cell(page, 'Bitrate', 2);
    const shown = await rate.textContent();
    await cell(page, 'Container', 1).focus();
    for (const key of ['ArrowRight', 'ArrowDown', 'ArrowDown', 'ArrowDown', 'ArrowDown']) {
        await page.keyboard.press(key);
    }
    await expect(rate).toBeFocused();
    await page.keyboard.press('Enter');
    await expect(page.getByLabel('Average', { exact: true })).toBeFocused();
    await page.keyboard.type('100k');
    await expect(page.getByText(/lies under the 132\skb\/s that Lanternwick asks/).first()).toBeVisible();
    await page.keyboard.press('Enter');
    await expect(rate).toBeFocused();

    // The remedy says what it does, and does it.
    await result(page, 'Findings', 2).getByRole('button').click();
    await page.getByRole('button', { name: 'Raise the average to 132 kb/s' }).click();
    await expect(result(page, 'Findings', 2)).not.toContainText('lies under');
    await page.keyboard.press('Control+z');
    await expect(result(page, 'Findings', 2)).toContainText('lies under');
    await page.keyboard.press('Control+z');
    await expect(rate).toHaveText(shown ?? '');
    await page.keyboard.press('Control+Shift+z');
    await expect(result(page, 'Findings', 2)).toContainText('lies under');

    // It is saved; the preset's rule can be put back after a reload too.
    await page.reload();
    await expect(result(page, 'Findings', 2)).toContainText('lies under');
    await rate.click();
    await page.getByRole('button', { name: 'Put back' }).click();
    await page.keyboard.press('Escape');
    await expect(rate).toContainText('asks 132 kb/s × 1.8, under its 360 lines');
});

test('an impossible value stays in its cell with its reason, and nothing can be packed until it is gone', async ({
    page,
}) => {
    await openSheet(page, 'bowl.mov', 'Bowl');
    await cell(page, 'Bitrate', 2).click();
    await page.getByLabel('Peak').fill('0,1');
    const reason = page.getByText(/The peak, 100\skb\/s, lies below the average/).first();
    await expect(reason).toBeVisible();
    const pack = page.getByRole('button', { name: /^Pack/ });
    await expect(pack).toBeDisabled();

    // It stays when the editor is left: from beside the field, since Esc in it takes back what was typed.
    await page.keyboard.press('Tab');
    await page.keyboard.press('Escape');
    await expect(page.getByLabel('Peak', { exact: true })).toHaveCount(0);
    await page.reload();
    await expect(page.getByText(/lies below the average/).first()).toBeVisible();
    await expect(pack).toBeDisabled();
    await page.keyboard.press('Control+z');
    await expect(pack).toBeEnabled();
    await expect(page.getByText(/lies below the average/)).toHaveCount(0);
});

test('what is no cut is shown for what it is, and said plainly', async ({ page }) => {
    await page.goto('/');
    await page.getByRole('button', { name: 'Bring in a cut' }).first().click();
    await expect(page.getByRole('row', { name: /kiln-diary.project/ })).toContainText('not a video');
    await expect(page.getByRole('button', { name: 'Bring in kiln-diary.project' })).toHaveCount(0);
    await page.getByRole('button', { name: 'Bring in cut-short.mp4' }).click();
    await expect(page.getByRole('alert')).toContainText('cut-short.mp4: The file is cut short');
});

test('a run shows its progress and is stopped from the belt, leaving nothing behind', async ({ page }) => {
    await openSheet(page, 'long-turn.mp4', 'Long turn');
    await page.getByRole('button', { name: 'Pack 2 files' }).click();
    const belt = page.getByRole('region', { name: 'Strip' });
    // Both are made of one decoding.
    for (const name of ['Long turn master', 'Long turn Lanternwick']) {
        await expect(belt.getByRole('progressbar', { name })).toHaveAttribute('aria-valuenow', /[1-9]/);
    }
    await expect(belt.getByText(/\d+ % · (\d+(\.\d)? fps · )?\d+:\d\d/).first()).toBeVisible();
    // A second click makes nothing twice, and asks.
    await page.getByRole('button', { name: 'Pack 2 files' }).click();
    await expect(page.getByRole('alert')).toContainText('is being made already, with the same settings.');
    await expect(page.getByRole('button', { name: 'Make it again' })).toBeVisible();
    await belt.getByRole('button', { name: 'Stop Long turn Lanternwick' }).click();
    await belt.getByRole('button', { name: 'Stop Long turn master' }).click();
    await expect(belt.getByRole('link', { name: 'Slips of Long turn' })).toBeVisible();
    const folder = `${scratch()}/out/Long turn`;
    expect(existsSync(folder) ? readdirSync(folder) : []).toEqual([]);
    await page.goto('/queue');
    await expect(page.getByRole('row', { name: /Long turn.*stopped/ })).toHaveCount(2);
});

test('an address that leads nowhere says so', async ({ page }) => {
    await page.goto('/cuts/4711');
    await expect(page.getByRole('heading', { name: 'Not here' })).toBeVisible();
    await page.goto('/nowhere');
    await expect(page.getByRole('link', { name: 'Go to the shelf' })).toBeVisible();
});
