import { expect, test } from '@playwright/test';
import { clean } from './axe';
import { cell, openSheet } from './pages';

test('axe finds nothing on any page, dialog or open editor, light and dark', async ({ page }) => {
    test.setTimeout(150_000);
    await page.goto('/');
    await expect(page.getByRole('heading', { level: 1 })).toBeVisible();
    await clean(page, 'shelf');
    await page.getByRole('button', { name: 'Bring in a cut' }).first().click();
    await expect(page.getByRole('dialog')).toBeVisible();
    await clean(page, 'bringing in');
    await page.getByRole('button', { name: 'Close' }).click();

    for (const path of ['/presets', '/hosts', '/queue', '/slips', '/nowhere']) {
        await page.goto(path);
        await expect(page.getByRole('heading').first()).toBeVisible();
        await page.waitForTimeout(300);
        await clean(page, path);
    }
    await page.goto('/hosts');
    await page.getByRole('button', { name: 'New host …' }).click();
    await clean(page, 'a new host');
    await page.keyboard.press('Escape');
    const made = await page.request.post('/api/library/host', {
        data: { copyOf: 'lanternwick', name: 'Lantern' },
    });
    await page.goto(`/hosts/${(await made.json()).slug}`);
    await page.getByLabel('≤ 30 fps of 2160 lines, in Mb/s').fill('no rate');
    await page.getByLabel('≤ 30 fps of 1440 lines, in Mb/s').fill('20');
    await expect(page.getByText('Not saved yet.')).toBeVisible();
    await clean(page, 'a host that is edited');
    await page.getByRole('button', { name: 'Paste a table …' }).click();
    await page.getByLabel('The text').fill('1080p\t8 Mbps');
    await expect(page.getByText('1080p: 8 Mb/s')).toBeVisible();
    await clean(page, 'pasting a table');

    await openSheet(page, 'kettle.mp4', 'Kettle');
    await clean(page, 'the sheet');
    for (const row of [
        'Container',
        'Video codec',
        'Frame size',
        'Frame rate',
        'Bitrate',
        'Keyframes',
        'Colour',
        'Audio',
        'Name',
    ]) {
        await cell(page, row, 2).click();
        await expect(page.getByRole('dialog')).toBeVisible();
        await clean(page, `the editor of ${row}`, row === 'Container' ? 'html' : '[role=dialog]');
        await page.keyboard.press('Escape');
        // The focus is back where it was.
        await expect(cell(page, row, 2)).toBeFocused();
    }
    for (const name of [/^Preset of output 2/, 'Add an output', 'Bitrate', 'What the strip shows', 'All about it']) {
        const button = page.getByRole('button', { name, exact: typeof name === 'string' });
        await button.click();
        await expect(page.getByRole('dialog')).toBeVisible();
        await page.waitForTimeout(200);
        await clean(page, String(name));
        await page.keyboard.press('Escape');
        await expect(button).toBeFocused();
    }
    await page.locator('h1').click();
    await page.keyboard.press('?');
    await expect(page.getByRole('heading', { name: 'Keys of this page' })).toBeVisible();
    await clean(page, 'the keys');
});

test('the sheet is walked through from its first cell to its findings without a mouse', async ({ page }) => {
    await openSheet(page, 'kettle.mp4', 'Kettle');
    await expect(cell(page, 'Container', 1)).toBeVisible();
    await page.getByRole('link', { name: 'Skip to the sheet' }).focus();
    await page.keyboard.press('Enter');
    await expect(cell(page, 'Container', 1)).toBeFocused();
    await page.keyboard.press('End');
    await expect(page.locator(':focus')).toHaveAttribute('data-at', /^0,[1-9]$/);
    await page.keyboard.press('Home');
    await expect(cell(page, 'Container', 1)).toBeFocused();
    await page.keyboard.press('ArrowRight');
    await page.keyboard.press('PageDown');
    await expect(cell(page, 'Keyframes', 2)).toBeFocused();
    await page.keyboard.press('Control+End');
    await expect(page.locator(':focus')).toHaveAccessibleName(/^Findings of|none/);
    await page.keyboard.press('Control+Home');
    await expect(page.getByRole('button', { name: /^Range of output 1/ })).toBeFocused();

    // After a remedy the focus stands where the finding stood, after a removal on the head that is left.
    await page
        .getByRole('button', { name: /^Findings of/ })
        .nth(1)
        .click();
    await page.getByRole('dialog').getByRole('listitem').getByRole('button').first().click();
    await expect(page.locator(':focus')).toHaveAttribute('data-at', /^\d+,1$/);
    await page.keyboard.press('Control+z');
    await page.getByRole('button', { name: 'Remove output 2' }).click();
    await expect(page.locator(':focus')).toHaveAttribute('data-at', /^-2,/);
    await page.keyboard.press('Control+z');
    await expect(page.getByRole('button', { name: 'Remove output 2' })).toBeVisible();
});

test('nothing is out of reach at 1024×768 with three columns, and what has the focus is all in sight', async ({
    page,
}) => {
    await page.setViewportSize({ width: 1024, height: 768 });
    await openSheet(page, 'kettle.mp4', 'Kettle');
    while ((await page.getByRole('button', { name: /^Output \d:/ }).count()) < 3) {
        await page.locator('h1').click();
        await page.keyboard.press('1');
        await page.waitForTimeout(300);
    }
    for (const row of ['Container', 'Name']) {
        await cell(page, row, 1).focus();
        await cell(page, row, 3).focus();
        const seen = await cell(page, row, 3).evaluate((element) => {
            const { left, right, top, bottom } = element.getBoundingClientRect();
            const at = (x: number, y: number) => element.contains(document.elementFromPoint(x, y));
            return [left >= 0, right <= window.innerWidth, at(left + 4, top + 4), at(right - 4, bottom - 4)];
        });
        expect(seen, row).toEqual([true, true, true, true]);
    }
    // The results stay in sight while a cell is changed.
    await cell(page, 'Container', 3).click();
    const editor = await page.getByRole('dialog').boundingBox();
    const results = await page.getByRole('row', { name: /^File size/ }).boundingBox();
    expect((editor?.y ?? 0) + (editor?.height ?? 0)).toBeLessThanOrEqual((results?.y ?? 0) + 1);
    await page.keyboard.press('Escape');
});
