// Takes the pictures of the README from the demo data: `docs/screenshots/take` starts it with folders whose names tell nothing of a machine.
// The arguments are the address, and the folder of the demo cuts.
import { execFileSync } from 'node:child_process';
import { readFileSync, renameSync, rmSync } from 'node:fs';
import { chromium } from '@playwright/test';

const address = process.argv[2] ?? 'http://127.0.0.1:8410';
const media = process.argv[3] ?? new URL('../../storage/demo/media/', import.meta.url).pathname;
const folder = new URL('./', import.meta.url).pathname;
const browser = await chromium.launch({
    executablePath: '/usr/bin/chromium-headless-shell',
    args: ['--no-sandbox', '--disable-background-networking', '--disable-component-update', '--disable-sync'],
});

async function open(theme, path) {
    const page = await browser.newPage({ viewport: { width: 1280, height: 800 } });
    await page.addInitScript((value) => localStorage.setItem('theme', value), theme);
    await page.goto(address + path);
    await page.waitForSelector('h1'); // never idle: the strip asks again and again
    await page.waitForTimeout(600);
    return page;
}

async function take(page, name) {
    await page.waitForTimeout(500);
    await page.screenshot({ path: `${folder}${name}.png` });
    await page.close();
}

const api = async (method, path, body) => {
    const headers = { 'Content-Type': 'application/json' };
    const answer = await fetch(`${address}/api/${path}`, { method, headers, body: JSON.stringify(body) });
    return answer.json();
};

/** A video that is held at the stand-in, whose small sizes are there and whose tall ones are not. */
async function dispatched(run) {
    const password = readFileSync(new URL('../../storage/standin/password', import.meta.url), 'utf8');
    const { account } = await api('POST', 'host-accounts', { host: 'lanternwick', name: 'kiln-diary', password });
    await api('PUT', `host-accounts/${account.id}/terms`, {});
    const details = {
        title: 'Kiln Diary 14: Night firing',
        description: 'Sixteen hours of a wood-fired kiln. Glaze: ash and iron; the bowl from the first part of this series.',
        tags: ['ceramics', 'glaze', 'kiln', 'night'],
        category: 'craft',
        language: 'en',
        licence: 'own',
        declarations: { madeForChildren: false, paidPromotion: false, alteredContent: false },
    };
    const { dispatch } = await api('POST', 'dispatches', { run, account: account.id, details });
    await api('PUT', `dispatches/${dispatch.id}/thumbnail`, { frame: 120, lift: 0.3 });
    for (;;) {
        const { dispatches } = await (await fetch(`${address}/api/dispatches`)).json();
        const states = (dispatches[0].video?.renditions ?? []).map(({ state }) => state);
        if (states.filter((state) => state === 'ready').length >= 2 || dispatches[0].stage === 'needs-you') {
            break;
        }
        await new Promise((resolve) => setTimeout(resolve, 300));
    }
    await take(await open('light', `/dispatch/${dispatch.id}`), 'dispatch');
}

const { cuts } = await (await fetch(`${address}/api/cuts`)).json();
const sheet = `/cuts/${cuts.find((cut) => cut.name === 'Night firing').id}`;
const tapes = `/cuts/${cuts.find((cut) => cut.name === 'Wheel study').id}`;

// Everything is looked at before the first picture.
for (;;) {
    const { activities } = await (await fetch(`${address}/api/strip`)).json();
    if (activities.length === 0) {
        break;
    }
    await new Promise((resolve) => setTimeout(resolve, 500));
}

await take(await open('light', '/'), 'shelf');

let page = await open('light', sheet);
await page.getByRole('group', { name: 'Range strip' }).hover({ position: { x: 830, y: 60 } });
for (let i = 0; i < 5; i++) {
    await page.mouse.wheel(0, -300);
}
await page.getByRole('group', { name: 'Range strip' }).click({ position: { x: 640, y: 60 } });
await page.getByRole('button', { name: /Footage after a gap/ }).click();
await page.waitForTimeout(500);
await take(page, 'range');

page = await open('light', `/cuts/${cuts.find((cut) => cut.name === 'Glaze tapes').id}`);
await page.getByRole('button', { name: 'All about it' }).click();
await page.waitForTimeout(500);
await take(page, 'about');

// A file on its way, another paused; both are given up again.
page = await open('dark', '/');
await page.route('**/api/uploads/**', async (route) => {
    await new Promise((resolve) => setTimeout(resolve, route.request().method() === 'PATCH' ? 700 : 0));
    await route.fallback().catch(() => undefined);
});
await page.getByRole('button', { name: 'Bring in a cut' }).click();
await page
    .getByLabel('Files of this computer')
    .setInputFiles(['kiln-night-firing.mov', 'studio-short.mov'].map((name) => `${media}${name}`));
await page.waitForTimeout(2300);
await page.getByRole('button', { name: 'Pause studio-short.mov' }).click();
await page.waitForTimeout(2500);
await page.screenshot({ path: `${folder}sending.png` });
for (const name of ['kiln-night-firing.mov', 'studio-short.mov']) {
    await page.getByRole('button', { name: `Give up ${name}` }).click();
}
await page.waitForTimeout(1500);
await page.close();

page = await open('light', sheet);
await page.getByRole('button', { name: 'Leave it out' }).click();
await page.waitForTimeout(500);
await page.getByText('measuring …').first().waitFor({ state: 'detached', timeout: 120_000 });
await page.getByLabel(/^Bitrate of output 2/).click();
await page.waitForTimeout(300);
await take(page, 'sheet-light');

page = await open('dark', sheet);
for (const output of [1, 2]) {
    await page.getByRole('columnheader').nth(output).hover();
    await page.getByRole('button', { name: `Compare output ${output}` }).click();
}
await take(page, 'compare');

page = await open('dark', sheet);
await page.getByRole('button', { name: 'Add an output' }).click();
await page.getByRole('option', { name: /^Platen 1080/ }).click();
await page.getByRole('button', { name: 'Add', exact: true }).click();
await page.waitForTimeout(600);
await page.getByRole('button', { name: 'Pack 3 files' }).click();
await page.waitForSelector('[role=progressbar][aria-valuenow="40"], [role=progressbar][aria-valuenow^="4"]', { timeout: 60_000 });
await take(page, 'sheet-dark');

page = await open('light', tapes);
await page.getByRole('button', { name: 'Pack 2 files' }).click();
await page.close();
page = await open('dark', '/queue');
await page.waitForTimeout(1500);
await page.getByRole('button', { name: /^Log of / }).first().click();
await page.waitForTimeout(600);
await take(page, 'queue');

page = await open('light', '/');
await page.getByRole('button', { name: 'Bring in a cut' }).click();
await page.waitForTimeout(400);
await take(page, 'bring-in');

// A preset and a host of the workshop's own.
const send = (method, path, body) =>
    fetch(`${address}/api/library/${path}`, { method, headers: { 'Content-Type': 'application/json' }, body: JSON.stringify(body) });
await send('POST', 'preset', { copyOf: 'lanternwick-generous', name: 'Friday piece', tags: ['kiln', 'friday'], note: 'As we began' });
await send('PUT', 'preset/friday-piece', { about: 'What the workshop sends on Fridays.', note: 'A note for the others' });
await send('PUT', 'preset/friday-piece/favourite', { favourite: true });
await send('POST', 'host', { copyOf: 'lanternwick', name: 'Lanternwick, as we measured it' });

page = await open('light', '/presets/friday-piece');
await page.getByRole('button', { name: 'Put another beside it' }).click();
await page.getByRole('combobox', { name: 'Preset to put beside it' }).fill('lanternwick even');
await page.keyboard.press('Enter');
await page.waitForTimeout(700);
await take(page, 'presets');

page = await open('dark', '/hosts/lanternwick-as-we-measured-it');
await page.getByLabel('≤ 30 fps of 2160 lines, in Mb/s').fill('35–45');
await take(page, 'hosts');

// A host is taught by two uploads and what it made of them, under names that say nothing.
const crate = (...args) => execFileSync(new URL('../../bin/crate', import.meta.url).pathname, args, { encoding: 'utf8' });
const lessons = ['studio-short.mov', 'ember-study.mov'].map((upload, at) => {
    const made = crate('recompress', `${media}${upload}`, '--host=tallgate', `--into=${media}came-back`, '--json');
    return [
        `${media}${upload}`,
        ...JSON.parse(made).files.map((file, i) => {
            const name = `${media}came-back/download-${at + 1}${i + 1}.mkv`;
            renameSync(file, name);
            return name;
        }),
    ];
});
const taught = await fetch(`${address}/api/hosts/tallgate/teachings`, {
    method: 'POST',
    headers: { 'Content-Type': 'application/json' },
    body: JSON.stringify({ lessons }),
});
const teaching = (await taught.json()).teaching.id;
for (;;) {
    const { teaching: now } = await (await fetch(`${address}/api/teachings/${teaching}`)).json();
    if (!['waiting', 'running', 'checking'].includes(now.state)) {
        break;
    }
    await new Promise((resolve) => setTimeout(resolve, 1000));
}
page = await open('light', '/hosts/tallgate/teach');
await page.evaluate((files) => sessionStorage.setItem('outer-crate/teach/tallgate', JSON.stringify(files)), lessons);
await page.reload();
await page.getByRole('heading', { name: 'What it does, as learnt' }).waitFor();
await take(page, 'teach');
rmSync(`${media}came-back`, { recursive: true });

page = await open('light', sheet);
await page.getByLabel(/^Frame size of output 2/).click();
await page.getByRole('option', { name: /^Inside 854×480/ }).click();
await page.waitForTimeout(500);
await page.getByRole('button', { name: /^Preset of output 2/ }).click();
await page.getByRole('radio', { name: 'Save as a preset' }).click();
await page.waitForTimeout(700);
await page.getByLabel('Name', { exact: true }).fill('Friday piece, small');
await take(page, 'save');

// The slips, once the first pack is over.
for (;;) {
    const { runs } = await (await fetch(`${address}/api/queue`)).json();
    const pack = runs.filter((run) => run.cutName === 'Night firing' && run.state === 'done');
    if (pack.length >= 3) {
        page = await open('light', `/slips/${pack[0].pack}`);
        await take(page, 'slips');
        page = await open('light', '/store');
        await page.getByRole('table', { name: 'Made files' }).waitFor();
        await page.getByRole('checkbox', { name: /^Choose .*mp4/ }).first().check();
        await take(page, 'store');
        await dispatched(pack.find((run) => run.name === 'Lanternwick').id);
        break;
    }
    await new Promise((resolve) => setTimeout(resolve, 1000));
}

page = await open('light', '/settings');
await page.getByText('recreated on demand').waitFor();
await page.getByRole('region', { name: 'RETENTION' }).evaluate((element) => element.scrollIntoView({ block: 'end' }));
await take(page, 'settings');

// What survives, and the worst frame of it side by side.
const racks = cuts.find((cut) => cut.name === 'Drying racks').id;
const asked = await fetch(`${address}/api/cuts/${racks}/tests`, {
    method: 'POST',
    headers: { 'Content-Type': 'application/json' },
    body: JSON.stringify({ host: 'lanternwick', grid: { output: 1, times: [0.25, 0.5, 1, 2] } }),
});
const { id } = (await asked.json()).test;
for (;;) {
    const { test } = await (await fetch(`${address}/api/tests/${id}`)).json();
    if (test.state === 'done') {
        break;
    }
    await new Promise((resolve) => setTimeout(resolve, 1000));
}
await take(await open('light', `/cuts/${racks}/survives`), 'survives');
page = await open('light', `/compare/tests/${id}?a=cut&b=0-480`);
for (const key of ['1', 's', 'z', 'o']) {
    await page.keyboard.press(key);
}
await page.waitForTimeout(9000); // the worst frames are named one after the other
await take(page, 'look');
await browser.close();
