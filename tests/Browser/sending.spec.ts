import { createHash } from 'node:crypto';
import { readdirSync, readFileSync, renameSync, writeFileSync } from 'node:fs';
import { expect, test } from '@playwright/test';
import { openSheet, scratch } from './pages';

/** A clip followed by padding that a reader skips (a `free` box), so that it is sent in three pieces. */
function padded(filling: number): Buffer {
    const padding = Buffer.alloc(20_000_000, filling);
    padding.writeUInt32BE(padding.length, 0);
    padding.write('free', 4);
    return Buffer.concat([readFileSync(`${scratch()}/elsewhere/sent.mp4`), padding]);
}

test('a dropped file survives a lost line and arrives whole', async ({ page, context }) => {
    const bytes = padded(7);
    await page.route('**/the-file', (route) => route.fulfill({ body: bytes, contentType: 'video/mp4' }));
    await page.goto('/');
    const transfer = await page.evaluateHandle(async () => {
        const transfer = new DataTransfer();
        const blob = await (await fetch('/the-file')).blob();
        transfer.items.add(new File([blob], 'From the desk.mp4', { type: 'video/mp4', lastModified: 1 }));
        return transfer;
    });
    // The line goes while the second piece is on its way.
    let pieces = 0;
    await page.route('**/api/uploads/**', async (route) => {
        if (route.request().method() === 'PATCH' && ++pieces === 2) {
            await context.setOffline(true);
            await route.abort('connectionreset');
        } else {
            await route.fallback();
        }
    });
    await page.getByRole('heading', { name: 'Shelf', exact: true }).dispatchEvent('drop', { dataTransfer: transfer });
    const way = page.getByRole('region', { name: 'Files on their way' });
    await expect(way).toContainText('the line is gone');
    await context.setOffline(false);
    await expect(way).toContainText('every piece checked', { timeout: 30_000 });
    expect(pieces).toBe(4);
    const sum = createHash('sha256').update(bytes).digest('hex');
    expect(
        createHash('sha256')
            .update(readFileSync(`${scratch()}/uploads/From the desk.mp4`))
            .digest('hex'),
    ).toBe(sum);
    expect(readdirSync(`${scratch()}/uploads`).filter((name) => name.startsWith('.'))).toEqual([]);
    await way.getByRole('link', { name: 'From the desk' }).click();
    await expect(page.getByRole('heading', { name: 'From the desk' })).toBeVisible();
});

test('an upload is paused, outlives a reload, and goes on where it was', async ({ page }) => {
    const path = `${scratch()}/elsewhere/Later.mp4`;
    writeFileSync(path, padded(9));
    await page.goto('/');
    let pieces = 0;
    await page.route('**/api/uploads/**', async (route) => {
        if (route.request().method() === 'PATCH' && ++pieces === 2) {
            await page.getByRole('button', { name: 'Pause Later.mp4' }).click();
        }
        await route.fallback().catch(() => undefined);
    });
    await page.getByRole('button', { name: 'Bring in a cut' }).first().click();
    await page.getByLabel('Files of this computer').setInputFiles(path);
    const way = page.getByRole('region', { name: 'Files on their way' });
    await expect(way).toContainText('paused at');
    await page.unrouteAll({ behavior: 'ignoreErrors' });
    await page.reload();
    await expect(way).toContainText(/not finished: \d+ % of/);
    const sent: string[] = [];
    page.on('request', (request) => request.url().includes('/api/uploads/') && sent.push(request.method()));
    await page.getByLabel('Choose Later.mp4 again').setInputFiles(path);
    await expect(way).toContainText('every piece checked', { timeout: 30_000 });
    expect(sent[0]).toBe('HEAD');
    expect(sent.filter((method) => method === 'PATCH').length).toBeLessThan(3);
    await expect(way).not.toContainText('not finished');
});

test('a cut whose file was moved says so and is pointed to the new place', async ({ page }) => {
    await openSheet(page, 'wanderer.mp4', 'Wanderer');
    renameSync(`${scratch()}/media/wanderer.mp4`, `${scratch()}/media/wandered off.mp4`);
    await page.goto('/');
    await expect(page.getByText('wanderer.mp4 has moved or gone')).toBeVisible();
    await page.getByRole('link', { name: 'Wanderer', exact: true }).click();
    await expect(page.getByRole('heading', { name: 'Wanderer' })).toBeVisible();
    await expect(page.getByRole('button', { name: /^Pack/ })).toBeDisabled();
    await page.getByRole('button', { name: /Use .*wandered off.mp4/ }).click();
    await expect(page.getByRole('button', { name: /^Pack/ })).toBeEnabled();
    await expect(page.getByText('wandered off.mp4').first()).toBeVisible();
});

test('several files are brought in at once', async ({ page }) => {
    await page.goto('/');
    await page.getByRole('button', { name: 'Bring in a cut' }).first().click();
    await page.getByRole('button', { name: 'Size' }).click();
    await expect(page.getByRole('columnheader', { name: 'Size' })).toHaveAttribute('aria-sort', 'descending');
    for (const name of ['pair-1.mp4', 'pair-2.mp4']) {
        await page.getByRole('checkbox', { name: `Choose ${name}` }).check();
    }
    await page.getByRole('button', { name: 'Bring in 2 files' }).click();
    await expect(page.getByRole('row', { name: /pair-1.mp4/ })).toContainText('on the shelf');
    await expect(page.getByRole('row', { name: /pair-2.mp4/ })).toContainText('on the shelf');
});
