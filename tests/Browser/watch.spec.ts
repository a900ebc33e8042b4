import { execFileSync } from 'node:child_process';
import { mkdirSync, writeFileSync } from 'node:fs';
import { expect, test } from '@playwright/test';
import { scratch } from './pages';

test('what arrives in a watch folder is packed by itself, and what cannot be is set aside', async ({ page }) => {
    const folder = `${scratch()}/arrivals`;
    mkdirSync(folder, { recursive: true });
    await page.goto('/settings');
    const form = page.getByRole('region', { name: 'Watch folders' });
    await expect(form).toBeVisible();
    // The page scrolls inside its frame: what is there for screen readers alone does not push header and belt away.
    expect(await page.evaluate(() => document.documentElement.scrollHeight - window.innerHeight)).toBe(0);
    await form.getByLabel('Folder to watch').fill('/nowhere');
    await form.getByLabel('Make of its files').selectOption('Sound WAV');
    await form.getByRole('button', { name: 'Watch it' }).click();
    await expect(form.getByText('There is no folder /nowhere')).toBeVisible();
    await form.getByLabel('Folder to watch').fill(folder);
    await form.getByRole('button', { name: 'Watch it' }).click();
    await expect(form.getByRole('button', { name: `Watch ${folder} no longer` })).toBeVisible();

    const clip = [
        '-f',
        'lavfi',
        '-i',
        'testsrc2=s=320x180:r=25:d=0.7',
        '-f',
        'lavfi',
        '-i',
        'sine=d=0.7',
        '-c:v',
        'libx264',
    ];
    execFileSync('ffmpeg', ['-v', 'error', ...clip, '-pix_fmt', 'yuv420p', '-c:a', 'aac', `${folder}/by night.mp4`]);
    writeFileSync(`${folder}/no video.mp4`, 'no video '.repeat(100));
    await expect(form.getByText('set aside', { exact: true })).toBeVisible({ timeout: 30_000 });
    await expect(form.getByText('packed', { exact: true })).toBeVisible({ timeout: 30_000 });
    await form.getByRole('link', { name: 'Slips' }).click();
    await expect(page.getByRole('heading', { name: 'Slips of By night' })).toBeVisible();
    await page.goto('/settings');
    await form.getByRole('button', { name: `Watch ${folder} no longer` }).click();
    await expect(form.getByText('None yet.')).toBeVisible();
});
