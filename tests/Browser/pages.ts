import { readFileSync } from 'node:fs';
import { expect, type Page } from '@playwright/test';

export const scratch = () => readFileSync('storage/browser-scratch', 'utf8').trim();
export const cell = (page: Page, row: string, output: number) =>
    page.getByRole('button', { name: new RegExp(`^${row} of output ${output}:`) });
export const result = (page: Page, row: string, output: number) =>
    page
        .getByRole('row', { name: new RegExp(`^${row}`) })
        .getByRole('cell')
        .nth(output);

export async function openSheet(page: Page, file: string, name: string) {
    await page.goto('/');
    await expect(page.getByText('The shelf is empty').or(page.getByRole('table'))).toBeVisible();
    if ((await page.getByRole('link', { name, exact: true }).count()) === 0) {
        await page.getByRole('button', { name: 'Bring in a cut' }).first().click();
        const bringIn = page.getByRole('button', { name: `Bring in ${file}` });
        await bringIn.click();
        await expect(bringIn).toHaveCount(0);
        await page.getByRole('button', { name: 'Close' }).click();
    }
    await page.getByRole('link', { name, exact: true }).click();
    await expect(page.getByRole('heading', { name })).toBeVisible();
}
