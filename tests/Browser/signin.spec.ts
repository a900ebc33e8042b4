import { execFileSync } from 'node:child_process';
import { expect, test } from '@playwright/test';
import { clean } from './axe';
import { scratch } from './pages';

const users = (...args: string[]) =>
    execFileSync('bin/crate', ['users', ...args], {
        input: 'crates of walnut\n',
        env: { ...process.env, APP_ENV: 'production', DB_DATABASE: `${scratch()}/scratch.sqlite` },
    });

// As the machine is called from elsewhere; the address is its own.
test.use({
    launchOptions: {
        executablePath: '/usr/bin/chromium-headless-shell',
        args: ['--no-sandbox', '--disable-background-networking', '--host-resolver-rules=MAP crate.lan 127.0.0.1'],
    },
});

test('from elsewhere one signs in, and goes on where one was when a session ends', async ({ page, baseURL }) => {
    const elsewhere = (baseURL ?? '').replace('127.0.0.1', 'crate.lan');
    users('add', 'mira');
    await page.goto(`${elsewhere}/presets`);
    const dialog = page.getByRole('dialog', { name: 'Sign in' });
    await expect(dialog).toBeVisible();
    await clean(page, 'sign-in', '[role=dialog]');
    await page.getByLabel('Name').fill('mira');
    await page.getByLabel('Password').fill('crates of birch');
    await page.keyboard.press('Enter');
    await expect(page.getByRole('alert')).toContainText('Wrong name or password');
    await page.getByLabel('Password').fill('crates of walnut');
    await page.keyboard.press('Enter');
    await expect(dialog).toBeHidden();
    await expect(page.getByRole('button', { name: 'mira' })).toBeVisible();

    // What was being changed is not lost to a session that has ended: with another password, all of them have.
    await page.goto(`${elsewhere}/settings`);
    const speed = page.getByLabel('Line speed');
    const before = await speed.inputValue();
    users('password', 'mira');
    await speed.fill('12');
    await speed.press('Enter');
    await expect(dialog).toBeVisible();
    await page.getByLabel('Name').fill('mira');
    await page.getByLabel('Password').fill('crates of walnut');
    const sentAgain = page.waitForResponse((response) => response.request().method() === 'PUT' && response.ok());
    await page.keyboard.press('Enter');
    await expect(dialog).toBeHidden();
    await sentAgain;
    await page.reload();
    await expect(speed).toHaveValue(/^12/);
    await speed.fill(before);
    await speed.press('Enter');

    // The owner sees who did what.
    const activity = page.getByRole('region', { name: 'ACTIVITY' });
    await page.getByLabel('Search the activity').fill('mira settings');
    await expect(activity.getByRole('row', { name: /mira Changed settings/ })).toBeVisible();
    await expect(activity.getByRole('row', { name: /Signed in/ })).toHaveCount(0);

    await page.getByRole('button', { name: 'mira' }).click();
    await expect(dialog).toBeVisible();
});

test('on the machine itself one signs in as well, and a viewer looks but changes nothing', async ({ page }) => {
    users('add', 'mira');
    users('add', 'ada', '--role=viewer');
    await page.goto('/');
    await page.getByLabel('Name').fill('ada');
    await page.getByLabel('Password').fill('crates of walnut');
    await page.keyboard.press('Enter');
    await expect(page.getByText('view only')).toBeVisible();
    await expect(page.getByRole('link', { name: 'Settings' })).toHaveCount(0);
    const refused = await page.request.put('/api/settings', { data: { runsAtOnce: 2 } });
    expect(refused.status()).toBe(403);
    expect((await refused.json()).error.message).toContain('needs the role of owner; you are signed in as viewer');
    await page.goto('/settings');
    await expect(page.getByText('needs the role of owner')).toBeVisible();
});

// The other tests run without users.
test.afterEach(() => {
    for (const name of ['ada', 'mira']) {
        try {
            users('remove', name);
        } catch {
            // It was not added.
        }
    }
});
