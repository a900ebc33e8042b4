import { execFileSync } from 'node:child_process';
import { existsSync } from 'node:fs';
import { expect, test } from '@playwright/test';
import { openSheet, scratch } from './pages';

test('a made file is cleared away, put back, and deleted for good; the only master stays', async ({ page }) => {
    // A cut of its own: others change their sheets.
    const clip = [
        '-f',
        'lavfi',
        '-i',
        'testsrc2=s=320x180:r=25:d=0.9',
        '-f',
        'lavfi',
        '-i',
        'sine=d=0.9',
        '-c:v',
        'libx264',
    ];
    execFileSync('ffmpeg', [
        '-v',
        'error',
        ...clip,
        '-pix_fmt',
        'yuv420p',
        '-c:a',
        'aac',
        `${scratch()}/media/lidded-jar.mp4`,
    ]);
    await openSheet(page, 'lidded-jar.mp4', 'Lidded jar');
    await page.getByRole('button', { name: /^Pack \d/ }).click();
    await expect(page.getByRole('link', { name: 'Slips of Lidded jar' }).first()).toBeVisible({ timeout: 60_000 });
    await page.getByRole('link', { name: /free$/ }).click();
    const made = page.getByRole('table', { name: 'Made files' });
    const upload = made.getByRole('checkbox', { name: /^Choose Lidded jar .*mp4/ }).first();
    await expect(upload).toBeVisible({ timeout: 60_000 });
    const name = ((await upload.getAttribute('aria-label')) ?? '').replace('Choose ', '');
    const path = `${scratch()}/out/Lidded jar/${name}`;
    await expect(made.getByRole('row', { name: /Lidded jar master/ }).first()).toContainText('only master');
    await expect(made.getByRole('checkbox', { name: /^Choose Lidded jar master/ }).first()).toBeDisabled();

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
