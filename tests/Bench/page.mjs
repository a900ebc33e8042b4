// Moves a slider in the real page, and tells in milliseconds how long the size of the file takes to follow. Run by page.php.
import { chromium } from 'playwright';

const [address, cut] = process.argv.slice(2);
const presets = [
    'archive-10-bit',
    'lanternwick-even',
    'lossless-vault',
    'review-720',
    'platen-1080',
    'slow-line',
    'lanternwick-generous',
    'tallgate-upright',
];
const browser = await chromium.launch({ executablePath: '/usr/bin/chromium-headless-shell', args: ['--no-sandbox'] });
const page = await browser.newPage({ viewport: { width: 1280, height: 800 } });
const figures = [];
for (const outputs of [2, 8, 40]) {
    const wanted = Array.from({ length: outputs }, (_, i) => ({
        key: String(i),
        preset: presets[i % presets.length],
        host: presets[i % presets.length].startsWith('lanternwick') ? 'lanternwick' : null,
        edits: {},
    }));
    await page.request.put(`${address}/api/cuts/${cut}/sheet`, { data: { outputs: wanted } });
    await page.goto(`${address}/cuts/${cut}`);
    await page.getByRole('button', { name: /^Bitrate of output 2:/ }).click();
    await page.getByRole('slider', { name: 'Average, from small to large' }).waitFor();
    const times = await page.evaluate(async () => {
        const slider = document.querySelector('[aria-label="Average, from small to large"]');
        const row = [...document.querySelectorAll('tr')].find(
            (row) => row.querySelector('th')?.textContent === 'File size',
        );
        const size = () => row.cells[3].textContent.match(/≈\s*[\d.]+\s*\w+/)?.[0];
        const set = Object.getOwnPropertyDescriptor(HTMLInputElement.prototype, 'value').set;
        const [from, to] = [Number(slider.min), Number(slider.max)];
        const taken = [];
        for (let i = 0; i < 45; i++) {
            const before = size();
            const begun = performance.now();
            const shown = new Promise((resolve, reject) => {
                const late = setTimeout(() => reject(new Error(`The size stayed ${before}.`)), 10_000);
                new MutationObserver((_, observer) => {
                    if (size() !== before) {
                        clearTimeout(late);
                        observer.disconnect();
                        // Two frames later it has been painted.
                        requestAnimationFrame(() => requestAnimationFrame(() => resolve(performance.now() - begun)));
                    }
                }).observe(row, { subtree: true, childList: true, characterData: true });
            });
            set.call(slider, from + (to - from) * (0.3 + 0.1 * (i % 5)));
            slider.dispatchEvent(new Event('input', { bubbles: true }));
            taken.push(await shown);
            await new Promise((resolve) => setTimeout(resolve, 120));
        }
        return taken.slice(5);
    });
    figures.push({ outputs, times });
}
await browser.close();
console.log(JSON.stringify(figures));
