// Times in the browser: from a key in the search of presets to the list that follows, and from another page to that of the hosts.
import { chromium } from '@playwright/test';

const address = process.argv[2];
const browser = await chromium.launch({ executablePath: '/usr/bin/chromium-headless-shell', args: ['--no-sandbox'] });
const page = await browser.newPage({ viewport: { width: 1280, height: 800 } });
const times = { search: [], hosts: [] };

/** Milliseconds until what is watched says another thing, painted; the act is a text that is typed, or the address of a link. */
const until = (act, watched) =>
    page.evaluate(
        async ([act, watched]) => {
            const text = () => document.querySelector(watched)?.textContent ?? '';
            const before = text();
            const begun = performance.now();
            if (act.startsWith('/')) {
                document.querySelector(`a[href="${act}"]`).click();
            } else {
                const input = document.querySelector('input[type=search]');
                Object.getOwnPropertyDescriptor(HTMLInputElement.prototype, 'value').set.call(input, act);
                input.dispatchEvent(new Event('input', { bubbles: true }));
            }
            while (text() === before) {
                if (performance.now() - begun > 5_000) {
                    throw new Error(`Nothing followed on “${act}”.`);
                }
                await new Promise(requestAnimationFrame);
            }
            return performance.now() - begun;
        },
        [act, watched],
    );

await page.goto(`${address}/presets`);
await page
    .getByText(/^20\d\d presets/)
    .first()
    .waitFor();
for (let round = 0; round < 6; round++) {
    for (const text of ['vp9', 'vp9 14', 'hevc', 'hevc 77', 'piece 140', 'master', '']) {
        times.search.push(await until(text, 'section p[role=status]'));
    }
}
for (let round = 0; round < 10; round++) {
    await page.evaluate(() => document.querySelector('a[href="/queue"]').click());
    await page.waitForFunction(() => document.querySelector('h1')?.textContent !== 'Hosts');
    times.hosts.push(await until('/hosts', 'main h2'));
}
await browser.close();
console.log(JSON.stringify(times));
