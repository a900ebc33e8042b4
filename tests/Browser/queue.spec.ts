import type { Page } from '@playwright/test';
import { expect, test } from '@playwright/test';
import { cell, openSheet } from './pages';

/** What earlier tests left is put away. */
async function emptyQueue(page: Page) {
    await page.goto('/queue');
    await expect(page.getByRole('heading', { level: 1 })).toBeVisible();
    const clear = page.getByRole('button', { name: 'Clear what is over' });
    if (await clear.isVisible()) {
        await clear.click();
        await expect(clear).toHaveCount(0);
    }
}

test('runs are put in order, paused, stopped, taken back and read up in the queue', async ({ page }) => {
    await emptyQueue(page);
    await openSheet(page, 'long-turn.mp4', 'Long turn');
    // A change that is still under way when Pack is pressed, and the page left at once.
    let isSaving = false;
    await page.route(/\/sheet$/, (route) => {
        isSaving ||= route.request().method() === 'PUT';
        return isSaving ? undefined : route.continue();
    });
    await cell(page, 'Bitrate', 2).click();
    await page.getByLabel('Average', { exact: true }).fill('0.3');
    await page.getByLabel('Average', { exact: true }).press('Enter');
    await expect.poll(() => isSaving).toBe(true);
    await page.getByRole('button', { name: 'Pack 2 files' }).click();
    await page.goto('/queue');
    const underWay = page.getByRole('table', { name: 'Under way' });
    const master = underWay.getByRole('row', { name: 'Long turn master' });
    const upload = underWay.getByRole('row', { name: 'Long turn Lanternwick' });
    await expect(page.getByLabel('All of the queue')).toContainText(/being made|wait/);
    await page.unrouteAll({ behavior: 'ignoreErrors' });
    const [run] = (await (await page.request.get('/api/queue')).json()).runs;
    const sheet = await (await page.request.get(`/api/cuts/${run.cut}/sheet`)).json();
    expect(sheet.outputs[1].plan.edits.bitrate.average).toEqual({ kbps: 300 });

    await page.getByRole('button', { name: 'Pause Long turn Lanternwick' }).click();
    await expect(upload).toContainText('paused');
    await underWay.getByRole('button', { name: 'Stop Long turn master' }).click();
    await expect(master).toContainText('stopped');
    // It stays where it is, and is taken back.
    await page.getByRole('button', { name: 'Take the stop back: Long turn master' }).click();
    await expect(master).toContainText(/waiting|%/);
    await underWay.getByRole('button', { name: 'Stop Long turn master' }).click();
    await expect(master).toContainText('stopped');

    // Another browser later finds the same.
    await page.goto('about:blank');
    await page.goto('/queue');
    await expect(upload).toContainText('paused');
    await page.getByRole('button', { name: 'Log of Long turn master' }).click();
    const log = page.getByRole('list', { name: 'Log of Long turn master' });
    await expect(log).toContainText(/Begun on \S+, engine/);
    await expect(log).toContainText('Stopped.');
    await underWay.getByRole('button', { name: 'Stop Long turn Lanternwick' }).click();
    await expect(upload).toContainText('stopped');
    await page.getByRole('button', { name: 'Clear what is over' }).click();
    await expect(master).toHaveCount(0);
    await page.getByRole('button', { name: 'Put back' }).click();
    await expect(master).toContainText('stopped');
});

test('waiting runs change places by keys, and are changed on their sheet', async ({ page }) => {
    await emptyQueue(page);
    await openSheet(page, 'long-turn.mp4', 'Long turn');
    await page.getByRole('button', { name: 'Pack 2 files' }).click();
    await page.getByRole('button', { name: 'Pack 2 files' }).click();
    await page.getByRole('button', { name: 'Make it again' }).click();
    await page.goto('/queue');
    // The first two are made together by then, and those that came later wait.
    const rows = page
        .getByRole('table', { name: 'Under way' })
        .getByRole('row')
        .filter({ hasText: /waiting|paused|%/ });
    const names = () =>
        rows.evaluateAll((all) => all.map((row) => row.getAttribute('aria-label')?.match(/turn (\w+)/)?.[1]));
    await expect.poll(names).toEqual(['master', 'Lanternwick', 'master', 'Lanternwick']);
    await rows
        .nth(3)
        .getByRole('button', { name: /earlier/ })
        .focus();
    await page.keyboard.press('Alt+ArrowUp');
    await expect.poll(names).toEqual(['master', 'Lanternwick', 'Lanternwick', 'master']);
    // One is changed on its sheet, and comes back to its place.
    await rows
        .nth(2)
        .getByRole('button', { name: /^Change/ })
        .click();
    await expect(page.getByRole('status').filter({ hasText: 'its place is kept' })).toBeVisible();
    await cell(page, 'Bitrate', 2).click();
    await page.getByLabel('Average', { exact: true }).fill('0.2');
    await page.getByLabel('Average', { exact: true }).press('Enter');
    await page.getByRole('button', { name: 'Put it back as it is now' }).click();
    await expect(page.getByRole('button', { name: 'Put it back as it is now' })).toHaveCount(0);
    await page.goto('/queue');
    await expect.poll(names).toEqual(['master', 'Lanternwick', 'Lanternwick', 'master']);
    for (const at of [3, 2, 1, 0]) {
        await rows.nth(at).getByRole('button', { name: /^Stop/ }).click();
        await expect(rows).toHaveCount(at);
    }
});
