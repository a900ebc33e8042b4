import { execFileSync } from 'node:child_process';
import { expect, type Page, test } from '@playwright/test';
import { cell, openSheet, scratch } from './pages';

const playhead = (page: Page) => page.getByLabel('Playhead');
const first = (page: Page) => page.getByRole('textbox', { name: 'First frame' });
const last = (page: Page) => page.getByRole('textbox', { name: 'Last frame' });

/** The number that the exact frame in the viewer shows in its eight bars. */
async function shownNumber(page: Page): Promise<number> {
    await expect(page.locator('[data-state=exact]')).toBeAttached();
    return page.locator('img[alt^="Frame "]').evaluate((picture: HTMLImageElement) => {
        const canvas = document.createElement('canvas');
        canvas.width = picture.naturalWidth;
        canvas.height = picture.naturalHeight;
        const context = canvas.getContext('2d') as CanvasRenderingContext2D;
        context.drawImage(picture, 0, 0);
        const y = canvas.height / 2;
        return [0, 1, 2, 3, 4, 5, 6, 7].reduce((number, bit) => {
            const x = Math.floor(((bit + 0.5) * canvas.width) / 8);
            return number + ((context.getImageData(x, y, 1, 1).data[0] ?? 0) > 127 ? 1 << bit : 0);
        }, 0);
    });
}

/** The numbers that the frames of a file show. */
function numbersIn(file: string): number[] {
    const bars = execFileSync('ffmpeg', [
        ...['-v', 'error', '-i', file, '-an', '-vf', 'scale=8:1:flags=area,format=gray', '-f', 'rawvideo', '-'],
    ]);
    return Array.from({ length: bars.length / 8 }, (_, frame) =>
        [0, 1, 2, 3, 4, 5, 6, 7].reduce((n, bit) => n + ((bars[frame * 8 + bit] ?? 0) > 127 ? 1 << bit : 0), 0),
    );
}

test('the range is set by keys, to the frame, and exactly these frames are packed', async ({ page }) => {
    await openSheet(page, 'numbered.mp4', 'Numbered');
    await expect(last(page)).toHaveValue('00:01:04;01');
    const strip = page.getByRole('group', { name: 'Range strip' });
    await strip.focus();
    await page.keyboard.press('End');
    await expect(playhead(page)).toHaveText('00:01:04;01');
    expect(await shownNumber(page)).toBe(179);
    await page.keyboard.press('Home');
    for (const key of ['Shift+ArrowRight', 'ArrowRight', 'ArrowRight', 'ArrowLeft', 'i']) {
        await page.keyboard.press(key);
    }
    expect(await shownNumber(page)).toBe(31);
    await expect(first(page)).toHaveValue('00:00:59;01');
    for (const key of ['Shift+ArrowRight', 'Shift+ArrowRight', 'o']) {
        await page.keyboard.press(key);
    }
    expect(await shownNumber(page)).toBe(91);
    // Two numbers are left out at the minute.
    await expect(last(page)).toHaveValue('00:01:01;03');
    await expect(page.getByText('61 frames').first()).toBeVisible();
    await expect(page.getByText('2.035 s').first()).toBeVisible();
    // The server counts as the page does.
    await expect(cell(page, 'Range', 2)).toContainText('00:00:59;01 – 00:01:01;03');
    await expect(cell(page, 'Range', 2)).toContainText('follows');

    // One output takes a range of its own.
    await cell(page, 'Range', 2).click();
    await page.getByRole('radio', { name: 'Its own' }).click();
    const own = page.getByRole('dialog', { name: 'Range of output 2' });
    await own.getByRole('textbox', { name: 'Last frame' }).fill('40');
    await own.getByRole('textbox', { name: 'Last frame' }).press('Enter');
    await expect(cell(page, 'Range', 2)).toContainText('its own');
    await page.keyboard.press('Escape');

    await page.getByRole('button', { name: 'Pack 2 files' }).click();
    await expect(page.getByRole('link', { name: 'Slips of Numbered' })).toBeVisible({ timeout: 60_000 });
    const span = (from: number, to: number) => Array.from({ length: to - from + 1 }, (_, i) => from + i);
    expect(numbersIn(`${scratch()}/out/Numbered/Numbered master.mov`)).toEqual(span(31, 91));
    expect(numbersIn(`${scratch()}/out/Numbered/Numbered Lanternwick.mp4`)).toEqual(span(31, 40));
    await page.getByRole('link', { name: 'Slips of Numbered' }).click();
    await expect(
        page
            .getByText(/kept the plan|as planned/i)
            .first()
            .or(page.getByRole('heading')),
    ).toBeVisible();
});

test('what is no frame stays with its reason; the handles and undo move the range too', async ({ page }) => {
    await openSheet(page, 'numbered.mp4', 'Numbered');
    await last(page).fill('02:00:00;00');
    await last(page).press('Enter');
    await expect(page.getByRole('alert').filter({ hasText: 'frame’s number from' })).toBeVisible();
    await last(page).press('Escape');
    const handle = page.getByRole('slider', { name: 'Last frame' });
    const before = Number(await handle.getAttribute('aria-valuenow'));
    await handle.focus();
    await page.keyboard.press('ArrowLeft');
    await page.keyboard.press('ArrowLeft');
    await expect(handle).toHaveAttribute('aria-valuenow', String(before - 2));
    await page.keyboard.press('Control+z');
    await expect(handle).toHaveAttribute('aria-valuenow', String(before));
    // It is saved as well: the tests that follow begin with this range.
    const sheet = `/api/cuts/${page.url().split('/').at(-1)}/sheet`;
    await expect.poll(async () => (await (await page.request.get(sheet)).json()).range.last).toBe(before);
    // A wheel zooms in until single frames can be told apart.
    await page.getByRole('group', { name: 'Range strip' }).hover({ position: { x: 300, y: 60 } });
    for (let i = 0; i < 12; i++) {
        await page.mouse.wheel(0, -400);
    }
    await expect(page.getByRole('group', { name: 'Range strip' })).toHaveAttribute('data-frames', '12');
});

test('the analysis shows on the strip, suggests the range, and its proxy plays', async ({ page }) => {
    await openSheet(page, 'stray.mp4', 'Stray');
    await expect(page.getByRole('button', { name: 'Leave it out' })).toBeVisible({ timeout: 75_000 });
    await expect(page.getByText('Footage after a gap', { exact: true })).toBeVisible();
    await page.getByRole('button', { name: 'Leave it out' }).click();
    await expect(last(page)).toHaveValue('00:00:03:24');
    await expect(page.getByText('100 frames').first()).toBeVisible();
    await expect(page.getByText('Left out: footage after a gap')).toBeVisible();
    await page.reload();
    await expect(last(page)).toHaveValue('00:00:03:24');

    // It plays to the end of the range and rests there on the exact frame.
    await page.getByRole('group', { name: 'Range strip' }).focus();
    await page.keyboard.press('Home');
    for (const _ of [1, 2, 3]) {
        await page.keyboard.press('Shift+ArrowRight');
    }
    await expect(page.getByRole('button', { name: 'Play', exact: true })).toBeEnabled();
    await page.keyboard.press(' ');
    await expect(page.locator('[data-state=playing]')).toBeAttached();
    await expect(playhead(page)).toHaveAttribute('data-frame', '99', { timeout: 10_000 });
    await expect(page.locator('[data-state=exact]')).toBeAttached();
    await page.getByRole('button', { name: 'All about it' }).click();
    await expect(page.getByText('Found by looking')).toBeVisible();
});

test('a range is divided by marks and by a list, and each piece becomes a file', async ({ page }) => {
    await openSheet(page, 'numbered.mp4', 'Numbered');
    await expect(first(page)).toHaveValue('00:00:59;01');
    await page.getByRole('group', { name: 'Range strip' }).focus();
    await page.keyboard.press('Shift+Home');
    // The next key waits until the one before has arrived, as a person's does who looks: a mark, another, and that one away again.
    for (const [keys, pieces] of [
        [['Shift+ArrowRight', 'm'], 2],
        [['Shift+ArrowRight', 'm'], 3],
        [['m'], 2],
    ] as const) {
        for (const key of keys) {
            await page.keyboard.press(key);
        }
        await expect(page.getByRole('button', { name: `in ${pieces} pieces` })).toBeVisible();
    }
    await page.getByRole('button', { name: 'in 2 pieces' }).click();
    const pieces = page.getByRole('dialog', { name: 'Pieces' });
    await expect(pieces.getByRole('listitem')).toHaveCount(2);
    await expect(pieces.getByRole('listitem').nth(1)).toContainText('00:01:00;03');

    const list = (text: string) =>
        pieces.getByLabel('List of pieces').setInputFiles({
            name: 'list.csv',
            mimeType: 'text/csv',
            buffer: Buffer.from(text),
        });
    await list('31,60,Opening\nlater,70');
    await expect(pieces.getByRole('alert')).toContainText('Line 2: “later” is no place');
    await expect(pieces.getByRole('listitem')).toHaveCount(2);
    await list('first,end,name\n31,61,Opening\n61,92,Closing');
    await expect(pieces.getByRole('listitem').nth(1)).toContainText('Closing');
    await page.keyboard.press('Escape');

    await page.getByRole('button', { name: 'Pack 4 files' }).click();
    await expect(page.getByRole('link', { name: 'Slips of Numbered' }).first()).toBeVisible({ timeout: 60_000 });
    const span = (from: number, to: number) => Array.from({ length: to - from + 1 }, (_, i) => from + i);
    const made = (name: string) => numbersIn(`${scratch()}/out/Numbered/${name}`);
    await expect(() => made('Numbered Lanternwick 02 Closing.mp4')).toPass({ timeout: 60_000 });
    expect(made('Numbered master 01 Opening.mov')).toEqual(span(31, 60));
    expect(made('Numbered master 02 Closing.mov')).toEqual(span(61, 91));
    await page.getByRole('button', { name: 'in 2 pieces' }).click();
    await pieces.getByRole('button', { name: 'One file' }).click();
    await expect(page.getByRole('button', { name: 'Pack 2 files' })).toBeVisible();
});
