import { execFileSync } from 'node:child_process';

import { expect, test } from '@playwright/test';
import { clean } from './axe';
import { openSheet, scratch } from './pages';

const host = `http://127.0.0.1:${Number(process.env.CRATE_TEST_PORT ?? 8499) + 1}`;

/** Over the line that it cuts: asked again where that is cut meanwhile. */
const fault = async (name: string, value: object | null) => {
    await expect(async () => {
        await fetch(`${host}/api/faults/${name}`, {
            method: value === null ? 'DELETE' : 'PUT',
            headers: { 'Content-Type': 'application/json' },
            body: value === null ? undefined : JSON.stringify(value),
        });
    }).toPass();
};

test.setTimeout(240_000);

test('an upload is sent over a line that drops, described meanwhile, held, and released when it is right', async ({
    page,
}) => {
    // A cut whose upload has some bytes to it.
    const path = `${scratch()}/media/ember.mp4`;
    const noise = 'noise=all_seed=7:alls=40:allf=t';
    const picture = ['-f', 'lavfi', '-i', `testsrc2=s=640x360:r=25:d=3,${noise}`, '-f', 'lavfi', '-i', 'sine=d=3'];
    const coded = ['-c:v', 'libx264', '-preset', 'ultrafast', '-pix_fmt', 'yuv420p', '-c:a', 'aac', path];
    execFileSync('ffmpeg', ['-v', 'error', '-nostdin', '-y', ...picture, ...coded]);
    await openSheet(page, 'ember.mp4', 'Ember');
    await page.getByRole('button', { name: /^Pack/ }).click();
    const belt = page.getByRole('region', { name: 'Strip' });
    await belt.getByRole('link', { name: 'Slips of Ember' }).click({ timeout: 60_000 });
    await page.getByRole('link', { name: /^Send .*Lanternwick.* to a host/ }).click();

    // A wrong password loses nothing; the right one shows what is noticed of the file.
    await page.getByLabel('Account', { exact: true }).fill('kiln-diary');
    await page.getByLabel('Password').fill('wrong');
    await page.getByRole('button', { name: 'Sign in' }).click();
    await expect(page.getByRole('alert')).toContainText('its password is another');
    await page.getByLabel('Password').fill('a made-up word 14');
    await page.getByRole('button', { name: 'Sign in' }).click();
    await expect(page.getByText('It is what was made, byte for byte.')).toBeVisible();
    await clean(page, 'before it is sent');

    // The line drops, and is slow then; what is said of the video is kept meanwhile.
    await fault('drop', { after: 300_000, times: 2 });
    await fault('slow', { bytes: 400_000 });
    await page.getByRole('button', { name: 'Send', exact: true }).click();
    await expect(page.getByRole('progressbar', { name: 'Sent' })).toBeVisible();
    await page.getByLabel('Title').fill('Kiln Diary 14: Night firing');
    await page.getByLabel('Tags').fill('glaze, kiln,');
    await page.getByLabel('Tags').press('Enter');
    await page.getByLabel('Frame').fill('20');
    await page.getByRole('button', { name: 'Take it' }).click();
    await expect(page.getByRole('img', { name: 'The thumbnail' })).toBeVisible();
    // A part of it: what is chosen is seen until it is taken.
    await page.getByLabel('Closer').fill('2');
    await expect(page.getByRole('img', { name: 'Frame 20 of the cut' })).toHaveCSS('transform', /2, 0, 0, 2/);
    await page.getByRole('button', { name: 'Take it' }).click();
    await expect(page.getByRole('img', { name: 'The thumbnail' })).toBeVisible();
    await page.getByLabel('Category').selectOption('craft');
    for (const [question, answer] of [
        ['Is it made for children?', 'No'],
        ['Was anybody paid to show something in it?', 'No'],
        ['Does it show something real that was altered or made up?', 'No'],
        ['Do you hold the rights to everything in it?', 'Yes'],
    ] as const) {
        await page.getByRole('radiogroup', { name: question }).getByRole('radio', { name: answer }).click();
    }
    await page.getByLabel('Captions file').setInputFiles({
        name: 'night.srt',
        mimeType: 'text/plain',
        buffer: Buffer.from('1\n00:00:00,000 --> 00:00:01,000\nThe kiln is lit.\n'),
    });
    await page.reload();
    await expect(page.getByLabel('Title')).toHaveValue('Kiln Diary 14: Night firing');
    await expect(page.getByRole('radiogroup', { name: /rights/ }).getByRole('radio', { name: 'Yes' })).toBeChecked();
    await fault('slow', null);

    // It arrives, and is held: sizes come one after another.
    const hold = page.getByRole('region', { name: 'Hold' });
    await expect(hold.getByRole('list', { name: 'Sizes' })).toContainText('360 lines', { timeout: 60_000 });
    await expect(page.getByText('Arrived at its host.')).toBeVisible();
    await expect(hold.getByText('All sizes are there')).toBeVisible({ timeout: 60_000 });
    await expect(hold.getByText('It got the basic tier.')).toContainText('The fine tier (VP9) is for uploads 1440');
    await page.getByRole('button', { name: 'Take the captions in en away' }).click();
    await expect(page.getByRole('button', { name: 'Take the captions in en away' })).toBeHidden();

    // What its host made of it comes back, beside the cut.
    await page.getByRole('button', { name: 'Bring it back' }).click();
    await expect(page.getByRole('link', { name: 'Look at it beside the cut' })).toBeVisible({ timeout: 30_000 });
    // It is measured, and its host taught by it.
    await expect(hold.getByRole('list', { name: 'Sizes' })).toContainText(/kb\/s · SSIM \d+\.\d dB/, {
        timeout: 60_000,
    });
    await page.getByRole('link', { name: 'What Lanternwick was found to do' }).click();
    await expect(page.getByRole('heading', { level: 1 })).toContainText('Lanternwick');
    await expect(page.getByText(/360/).first()).toBeVisible();
    await page.goBack();

    // Nothing goes out before its host's terms are accepted; then at a time that the host's clock comes to.
    await expect(page.getByRole('button', { name: 'Release when ready' })).toBeDisabled();
    await page.getByRole('button', { name: 'I accept them' }).click();
    await clean(page, 'what is held');
    await page.getByRole('radio', { name: 'At a time' }).click();
    const later = new Date(Date.now() + 2 * 3_600_000).toISOString().slice(0, 16);
    await page.getByLabel('Date and hour').fill(later);
    await page.getByLabel('Time zone').fill('UTC');
    await page.getByRole('button', { name: 'Release then' }).click();
    await expect(page.getByText(/It is released on/)).toBeVisible();
    await fault('clock', { seconds: 2 * 3_600 + 60 });
    // By that clock the sign-in has run out, too.
    await page.getByLabel('Password').fill('a made-up word 14');
    await page.getByRole('button', { name: 'Sign in' }).click();
    await expect(page.getByText('Released: everybody can see it.')).toBeVisible({ timeout: 30_000 });
    await fault('clock', null);
    const address = await page.getByRole('link', { name: 'its page' }).getAttribute('href');
    expect(await (await fetch(address ?? '')).text()).toContain('Kiln Diary 14: Night firing');

    await page.goto('/settings');
    const accounts = page.getByRole('region', { name: 'Accounts at hosts' });
    await expect(accounts.getByRole('listitem')).toContainText('signed in');
    await accounts.getByRole('button', { name: 'Sign out' }).click();
    await expect(accounts.getByRole('listitem')).toContainText('signed out');
    await accounts.getByRole('button', { name: 'Forget' }).click();
    await expect(accounts.getByRole('listitem')).toHaveText('There is none yet.');
});
