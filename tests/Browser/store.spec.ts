import { existsSync } from 'node:fs';
import { expect, test } from '@playwright/test';
import { openSheet, scratch } from './pages';

test('a made file is cleared away, put back, and deleted for good; the only master stays', async ({ page }) => {
    await openSheet(page, 'kettle.mp4', 'Kettle');
    await page.getByRole('button', { name: /^Pack 2 files/ }).click();
    const again = page.getByRole('button', { name: 'Pack again' });
    await expect(page.getByRole('link', { name: 'Slips of Kettle' }).or(again).first()).toBeVisible({
        timeout: 60_000,
    });
    await page.getByRole('link', { name: /free$/ }).click();
    const made = page.getByRole('table', { name: 'Made files' });
    const upload = made.getByRole('checkbox', { name: /^Choose Kettle Lanternwick.*mp4/ }).first();
    await expect(upload).toBeVisible({ timeout: 60_000 });
    const name = ((await upload.getAttribute('aria-label')) ?? '').replace('Choose ', '');
    const path = `${scratch()}/out/Kettle/${name}`;
    await expect(made.getByRole('row', { name: /Kettle master/ }).first()).toContainText('only master');
    await expect(made.getByRole('checkbox', { name: /^Choose Kettle master/ }).first()).toBeDisabled();

    await upload.check();
    await page.getByRole('button', { name: 'Clear 1 away' }).click();
    await expect(page.getByRole('status').filter({ hasText: 'cleared away' })).toContainText(name);
    expect(existsSync(path)).toBe(false);
    await page.getByRole('button', { name: 'Put back' }).click();
    await expect(upload).toBeVisible();
    expect(existsSync(path)).toBe(true);
    await upload.check();
    await page.getByRole('button', { name: 'Clear 1 away' }).click();
    await page.getByRole('button', { name: 'Delete for good' }).click();
    await expect(page.getByRole('button', { name: 'Put back' })).toHaveCount(0);
    expect(existsSync(path)).toBe(false);
});
