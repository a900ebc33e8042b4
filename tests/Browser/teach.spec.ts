import { execFileSync } from 'node:child_process';
import { renameSync, writeFileSync } from 'node:fs';
import { expect, test } from '@playwright/test';
import { clean } from './axe';
import { scratch } from './pages';

const rung = (shorterSide: number, kbps: number) => ({
    shorterSide,
    codec: 'h264',
    kbps,
    keyframeSeconds: 1,
    speed: 'fast',
});
const ladder = [rung(180, 420), rung(120, 230)];

/** What a host that Outer Crate was never told of makes of a file, under names that say nothing. */
function cameBack(upload: string): string[] {
    const media = `${scratch()}/media`;
    const env = { ...process.env, APP_ENV: 'production', DB_DATABASE: `${scratch()}/elsewhere.sqlite` };
    const crate = (...args: string[]) => execFileSync('bin/crate', args, { env, encoding: 'utf8' });
    writeFileSync(
        `${scratch()}/host.json`,
        JSON.stringify({
            format: 'outer-crate/host',
            version: 1,
            id: 'elsewhere',
            name: 'Elsewhere',
            asks: {},
            recompression: { tiers: [{ name: 'all', ladder }], audio: { codec: 'aac', kbps: 80 } },
        }),
    );
    crate('hosts', 'import', `${scratch()}/host.json`);
    const answer = crate('recompress', `${media}/${upload}`, '--host=elsewhere', `--into=${media}`, '--json');
    return JSON.parse(answer).files.map((file: string, i: number) => {
        const name = `download-${i + 1}.mkv`;
        renameSync(file, `${media}/${name}`);
        return name;
    });
}

test('a host is taught by files that it made, and becomes a version that says so', async ({ page }) => {
    test.setTimeout(240_000);
    const files = cameBack('wheel.mp4');
    await page.goto('/hosts');
    await page.getByRole('button', { name: 'New host …' }).click();
    await page.getByLabel('Name', { exact: true }).fill('Sluice');
    await page.keyboard.press('Enter');
    await expect(page.getByRole('article', { name: 'Sluice' })).toBeVisible();
    await page.getByRole('link', { name: 'Teach it …' }).click();
    await expect(page).toHaveTitle('Teach Sluice · Outer Crate');
    await expect(page.getByRole('heading', { name: 'Nothing has been learnt from files yet' })).toBeVisible();

    // By keyboard: a file that stands alone teaches nothing.
    await page.getByRole('button', { name: 'Choose the upload and what came back …' }).press('Enter');
    const find = page.getByRole('searchbox', { name: 'Find a file' });
    await find.fill('wheel.mp4');
    await page.getByRole('checkbox', { name: /^wheel\.mp4/ }).press('Space');
    await page.getByRole('button', { name: 'Take it' }).press('Enter');
    const learn = page.getByRole('button', { name: 'Learn from these files' });
    await expect(learn).toBeDisabled();
    await page.getByRole('button', { name: 'Add files …' }).press('Enter');
    await find.fill('download');
    for (const file of files) {
        await page.getByRole('checkbox', { name: new RegExp(`^${file}`) }).press('Space');
    }
    await page.getByRole('button', { name: 'Take 2 files' }).press('Enter');
    await learn.press('Enter');
    await expect(page.getByRole('progressbar', { name: 'Learning' }).or(page.getByRole('table')).first()).toBeVisible({
        timeout: 60_000,
    });
    const seen = page.getByRole('table', { name: 'What came back of wheel.mp4' });
    await expect(seen.getByRole('row')).toHaveCount(3, { timeout: 120_000 });
    await expect(
        page.getByText(/With these figures the stand-in comes to within .* of each of the 2 files/),
    ).toBeVisible();
    const rows = page.getByRole('table', { name: /^Tier/ }).getByRole('row');
    for (const [at, { shorterSide, kbps }] of ladder.entries()) {
        await expect(rows.nth(at + 1).getByRole('rowheader')).toHaveText(String(shorterSide));
        const rate = await rows
            .nth(at + 1)
            .getByRole('cell')
            .nth(1)
            .textContent();
        expect(Math.abs(Number.parseFloat(rate ?? '') / kbps - 1)).toBeLessThan(0.1);
        await expect(
            rows
                .nth(at + 1)
                .getByRole('cell')
                .nth(2),
        ).toHaveText(/^1\ss$/);
    }
    await clean(page, 'teach');
    // The eyes: what came back beside the upload.
    await seen.getByRole('link', { name: files[0] }).click();
    await expect(page).toHaveTitle(/^Compare wheel\.mp4/);
    await expect(page.getByRole('img', { name: new RegExp(`^The second, ${files[0]}, frame 0$`) })).toBeVisible();
    await page.goBack();

    await page.getByRole('button', { name: 'Save as a version of Sluice' }).click();
    await expect(page.getByText('version 2', { exact: true })).toBeVisible();
    await page.getByText('Taught by an upload').click();
    await expect(seen).toBeVisible();
    await expect(page.getByText('Every upload becomes H.264')).toBeVisible();
});
