import { expect, test } from '@playwright/test';
import { cell, openSheet } from './pages';

test('candidates go through a host, one is recommended, and becomes the column', async ({ page }) => {
    test.setTimeout(150_000);
    await openSheet(page, 'pair-2.mp4', 'Pair 2');
    await page.getByRole('link', { name: 'What survives' }).click();
    await expect(page).toHaveTitle('What survives of Pair 2 · Outer Crate');
    await expect(page.getByRole('heading', { name: 'Nothing has been tested yet' })).toBeVisible();
    await expect(page.getByLabel('Around')).toHaveValue('1');
    await page.getByRole('button', { name: 'Test', exact: true }).click();
    await expect(page.getByText(/Testing 4 candidates/)).toBeVisible();

    const table = page.getByRole('table', { name: 'What is left of each candidate' });
    await expect(table.getByRole('row')).toHaveCount(5, { timeout: 120_000 });
    await expect(page.getByText('A simulation of what Lanternwick publishes or was taught.')).toBeVisible();
    const why = page.getByText(/dB SSIM on a screen of 480 lines for/);
    await expect(why).toBeVisible();

    // Whoever cares for nothing but the size is told the smallest: by keyboard.
    for (const weight of ['picture', 'making', 'sending']) {
        await page.getByRole('slider', { name: `Weight of ${weight}` }).press('Home');
    }
    const smallest = await table.getByRole('rowheader').first().textContent();
    await expect(why).toContainText(`${smallest} leaves`);
    // The plot and the table say the same of a candidate.
    await page.getByRole('button', { name: new RegExp(`^${smallest}: .* dB$`) }).press('Enter');
    await expect(table.getByRole('row', { selected: true })).toContainText(smallest ?? '');

    await page.getByRole('button', { name: 'Use it for column 2' }).click();
    await expect(cell(page, 'Bitrate', 2)).toContainText('you');
    await expect(cell(page, 'Bitrate', 2)).toContainText(
        (smallest ?? '').replace('\u2009', '\u00a0').split('\u00a0')[0] ?? '',
    );
});
