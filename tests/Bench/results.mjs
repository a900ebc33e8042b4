// Opens the results of a transit test from the sheet of its cut, and tells in milliseconds until they are painted. Run by results.php.
import { chromium } from 'playwright';

const [address, cut, candidates] = process.argv.slice(2);
const browser = await chromium.launch({ executablePath: '/usr/bin/chromium-headless-shell', args: ['--no-sandbox'] });
const page = await browser.newPage({ viewport: { width: 1280, height: 800 } });
const times = [];
for (let i = 0; i < 21; i++) {
    await page.goto(`${address}/cuts/${cut}`);
    const link = page.getByRole('link', { name: /survives/i }).first();
    await link.waitFor();
    await page.waitForLoadState('networkidle');
    // A hand is over a link for a while before it presses.
    await link.hover();
    await page.waitForTimeout(200);
    times.push(
        await link.evaluate(
            (link, rows) =>
                new Promise((resolve, reject) => {
                    const begun = performance.now();
                    const late = setTimeout(() => reject(new Error('The results did not come.')), 10_000);
                    new MutationObserver((_, observer) => {
                        if (document.querySelectorAll('table[aria-label^="What is left"] tbody tr').length === rows) {
                            clearTimeout(late);
                            observer.disconnect();
                            // Two frames later it has been painted.
                            requestAnimationFrame(() =>
                                requestAnimationFrame(() => resolve(performance.now() - begun)),
                            );
                        }
                    }).observe(document.body, { subtree: true, childList: true });
                    link.click();
                }),
            Number(candidates),
        ),
    );
}
await browser.close();
console.log(JSON.stringify(times));
