import { readFileSync } from 'node:fs';
import { createRequire } from 'node:module';
import { expect, type Page } from '@playwright/test';

const axe = readFileSync(createRequire(import.meta.url).resolve('axe-core/axe.min.js'), 'utf8');

interface Axe {
    run: (within: object, options: object) => Promise<{ violations: { id: string; nodes: { html: string }[] }[] }>;
}

/**
 * Axe finds nothing on the page as it stands, in light colours and in dark ones: of all its rules, that of contrast alone can say
 * another thing of the same page in other colours.
 *
 * @param within what is looked at: what lies behind an open editor was looked at before
 */
export async function clean(page: Page, where: string, within = 'html') {
    if (!(await page.evaluate(() => 'axe' in window))) {
        await page.evaluate(axe);
    }
    for (const theme of ['light', 'dark']) {
        await page.evaluate((theme) => {
            document.documentElement.dataset.theme = theme;
        }, theme);
        // Colours change over 120 ms, and longer on a busy machine.
        await page.evaluate(() => Promise.allSettled(document.getAnimations().map(({ finished }) => finished)));
        const found = await page.evaluate(
            async ([theme, within]) => {
                const { violations } = await (window as unknown as { axe: Axe }).axe.run(
                    { include: [[within]] },
                    {
                        resultTypes: ['violations'],
                        ...(theme === 'dark' ? { runOnly: ['color-contrast'] } : {}),
                    },
                );
                return violations.flatMap(({ id, nodes }) => nodes.map(({ html }) => `${id}: ${html.slice(0, 160)}`));
            },
            [theme, within],
        );
        expect.soft(found, `${where}, ${theme}`).toEqual([]);
    }
}
