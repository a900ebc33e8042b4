import { expect, test } from '@playwright/test';
import { cell, openSheet } from './pages';

// Whatever becomes of these tests, the sheets of others begin with what is shipped.
test.afterAll(async ({ request }) => {
    await request.put('/api/library/defaults', {
        data: { for: 'upload@lanternwick', preset: 'lanternwick-generous' },
    });
});

test('a preset is saved from a sheet, found, made the default, and a new sheet begins with it', async ({ page }) => {
    await openSheet(page, 'kettle.mp4', 'Kettle');
    await cell(page, 'Frame size', 2).click();
    await page.getByRole('option', { name: /^Inside 854×480/ }).click();
    await expect(cell(page, 'Frame size', 2)).toHaveAccessibleName(/changed by you/);

    // Cell by cell it says what it will keep; one is fixed as it came out here.
    await page.getByRole('button', { name: /^Preset of output 2/ }).click();
    await page.getByRole('radio', { name: 'Save as a preset' }).click();
    const says = page.getByRole('table', { name: 'What the preset will say' });
    await expect(says.getByRole('row', { name: /Frame size.*Inside 854×480/ })).toBeVisible();
    await expect(says.getByRole('row', { name: /Bitrate.*VBR, 2 passes, host’s ask × 1\.8/ })).toBeVisible();
    await page.getByRole('checkbox', { name: /^Fix Frame rate/ }).check();
    await page.getByLabel('Name', { exact: true }).fill('Friday kiln');
    await page.getByLabel('Tags').fill('small, kiln');
    await page.getByLabel('Note of this version').fill('For the Friday piece');
    await page.getByRole('button', { name: 'Save as new' }).click();
    await expect(page.getByRole('button', { name: /^Preset of output 2: Friday kiln/ })).toBeVisible();
    // Nothing is changed by hand any more: the preset says it.
    await expect(cell(page, 'Frame size', 2)).not.toHaveAccessibleName(/changed by you/);

    await page.getByRole('link', { name: 'Presets' }).click();
    await page.getByRole('searchbox', { name: 'Search the presets' }).fill('kiln small');
    await expect(page.getByText(/^1 of \d+ presets$/)).toBeVisible();
    await page.getByRole('link', { name: /^Friday kiln/ }).click();
    await expect(page.getByRole('heading', { name: /Friday kiln/ })).toBeVisible();
    await expect(page).toHaveTitle('Friday kiln · Outer Crate');
    await expect(page.getByRole('table', { name: 'What the preset decides for Kettle' })).toContainText(
        'Inside 854×480',
    );
    await page.getByRole('button', { name: 'Default …' }).click();
    await page.getByRole('checkbox', { name: /^As upload for Lanternwick/ }).click();
    await expect(page.getByRole('button', { name: 'Default ✓' })).toBeVisible();
    await page.keyboard.press('Escape');

    // Back keeps what was sought.
    await page.getByRole('link', { name: 'Hosts' }).click();
    await expect(page).toHaveURL(/\/hosts/);
    await page.goBack();
    await expect(page.getByRole('searchbox', { name: 'Search the presets' })).toHaveValue('kiln small');

    await openSheet(page, 'kettle-lid.mp4', 'Kettle lid');
    await expect(page.getByRole('button', { name: /^Preset of output 2: Friday kiln → Lanternwick/ })).toBeVisible();

    // A newer version is taken in one step; a preset is swapped, and what was changed by hand is let go.
    await page.request.put('/api/library/preset/friday-kiln', { data: { about: 'Changed elsewhere' } });
    await page.reload();
    await page.getByRole('button', { name: /^Preset of output 2/ }).click();
    await expect(
        page.getByText('“Friday kiln” is at version 2; this output keeps the rules of version 1.'),
    ).toBeVisible();
    await page.getByRole('button', { name: 'Take version 2' }).click();
    await page.getByRole('button', { name: /^Preset of output 2/ }).click();
    await expect(page.getByText('is at version 2')).toHaveCount(0);
    await page.keyboard.press('Escape');
    await cell(page, 'Audio', 2).click();
    await page.getByRole('option', { name: /^None/ }).click();
    await page.getByRole('button', { name: /^Preset of output 2/ }).click();
    await page.getByRole('combobox', { name: 'Preset' }).fill('review 720');
    await page.getByRole('radio', { name: 'Let go' }).click();
    await page.getByRole('button', { name: 'Swap' }).click();
    await expect(page.getByRole('button', { name: /^Preset of output 2: Review 720/ })).toBeVisible();
    await expect(cell(page, 'Audio', 2)).toHaveAccessibleName(/AAC/);
    await page.keyboard.press('Control+z');
    await expect(page.getByRole('button', { name: /^Preset of output 2: Friday kiln/ })).toBeVisible();
    await expect(cell(page, 'Audio', 2)).toHaveAccessibleName(/none/i);

    // A key adds one of the first nine.
    await page.keyboard.press('Escape');
    await page.locator('h1').click();
    await page.keyboard.press('1');
    await expect(page.getByRole('button', { name: /^Preset of output 3/ })).toBeVisible();

    // Taken away, and back.
    await page.goto('/presets/friday-kiln');
    await page.getByRole('button', { name: 'Take away' }).click();
    await page.getByRole('button', { name: '1 taken away' }).click();
    await page.getByRole('button', { name: 'Take Friday kiln back' }).click();
    await expect(page.getByRole('heading', { name: /Friday kiln/ })).toBeVisible();
});

test('a host is made from a pasted table, and the sheet follows it', async ({ page }) => {
    await page.goto('/hosts');
    await page.getByRole('button', { name: 'New host …' }).click();
    await page.getByLabel('Name', { exact: true }).fill('Sooty Lamp');
    await page.getByRole('button', { name: 'Make it' }).click();
    await expect(page.getByText('No rates are known')).toBeVisible();

    await page.getByRole('button', { name: 'Paste a table …' }).click();
    await page
        .getByLabel('The text')
        .fill('Size\t24–30 fps\t50–60 fps\n1080p\t8–12 Mbps\t12,5\n180p\t0,4 Mbps\t0,6 Mbps\nSee below');
    const understood = page.getByRole('listitem');
    await expect(understood.filter({ hasText: '1080p, usual rates: 8 Mb/s to 12 Mb/s' })).toBeVisible();
    await expect(understood.filter({ hasText: 'line 4 is no rate' })).toBeVisible();
    await page.getByRole('button', { name: 'Take these rates' }).click();

    // Each cell is put right where it stands; what is no rate says so and is not taken.
    const low = page.getByLabel('≤ 30 fps of 180 lines, in Mb/s');
    await low.fill('eight');
    await expect(page.getByText('Write a rate such as 8.5')).toBeVisible();
    await low.fill('500k');
    await page.getByLabel('Containers').fill('mp4');
    await page.getByLabel('Note of this version').fill('From their help page');
    await page.getByRole('button', { name: 'Save version 2' }).click();
    await expect(page.getByText('version 2', { exact: true })).toBeVisible();
    await expect(low).toHaveValue('0.5');

    await openSheet(page, 'kettle.mp4', 'Kettle');
    await page.getByRole('button', { name: 'Add an output' }).click();
    await page.getByRole('combobox', { name: 'Preset' }).fill('lanternwick even');
    await page.getByLabel('For', { exact: true }).selectOption('Sooty Lamp');
    await page.getByRole('button', { name: 'Add', exact: true }).click();
    const bitrate = page.getByRole('button', { name: /^Bitrate of output \d+: VBR · 500/ });
    await expect(bitrate).toBeVisible();

    // Changed at the host, in another window: the sheet follows and says what changed.
    const other = await page.context().newPage();
    await other.goto('/hosts/sooty-lamp');
    await other.getByLabel('≤ 30 fps of 180 lines, in Mb/s').fill('0,9');
    await other.getByRole('button', { name: 'Save version 3' }).click();
    await expect(other.getByText('version 3', { exact: true })).toBeVisible();
    await expect(page.getByRole('button', { name: /^Bitrate of output \d+: VBR · 900/ })).toBeVisible();
    await page.getByRole('button', { name: /^Preset of output \d: Lanternwick, even → Sooty Lamp/ }).click();
    await expect(page.getByText(/Sooty Lamp was changed \(version 3\): .*Bitrate VBR · 500/).last()).toBeVisible();
    await page.getByRole('button', { name: 'Take note' }).click();
    await page.getByRole('button', { name: /^Preset of output \d: Lanternwick, even → Sooty Lamp/ }).click();
    await expect(page.getByText('Sooty Lamp was changed')).toHaveCount(0);

    // Somebody else saves while a change stands here: nothing of it is lost, and it goes over theirs only when told.
    await other.getByLabel('≤ 30 fps of 1080 lines, in Mb/s').fill('9');
    const { file } = await (await page.request.get('/api/library/host/sooty-lamp')).json();
    await page.request.put('/api/library/host/sooty-lamp', { data: { file: { ...file, about: 'Theirs' } } });
    await other.getByRole('button', { name: /^Save version/ }).click();
    await expect(other.getByRole('alert')).toContainText('was saved by somebody else meanwhile');
    await other.getByRole('button', { name: 'Mine goes over it' }).click();
    await other.getByRole('button', { name: 'Save version 5' }).click();
    await expect(other.getByText('version 5', { exact: true })).toBeVisible();
    await expect(other.getByLabel('≤ 30 fps of 1080 lines, in Mb/s')).toHaveValue('9');
});

test('a file of presets is looked into before anything is taken of it', async ({ page }) => {
    await page.request.post('/api/library/preset', { data: { name: 'Wheel', role: 'upload', about: 'here' } });
    const preset = (name: string, about: string) => ({
        format: 'outer-crate/preset',
        version: 1,
        name,
        role: 'upload',
        about,
        rules: {},
    });
    const file = {
        format: 'outer-crate/library',
        version: 1,
        presets: [preset('Wheel', 'there'), preset('Glaze', 'new')],
    };
    await page.goto('/presets');
    const choose = async (name: string, text: string) => {
        await page
            .getByLabel('A file of presets or hosts')
            .setInputFiles({ name, mimeType: 'application/json', buffer: Buffer.from(text) });
    };
    await choose('broken.json', '{"format": ');
    await expect(page.getByRole('alert')).toContainText('broken.json is not in its format: it is not JSON');
    await page.getByRole('button', { name: 'Close' }).click();
    await choose('theirs.json', JSON.stringify(file));
    await expect(page.getByRole('dialog')).toContainText('there');
    await page.getByRole('radio', { name: 'Replace mine' }).click();
    await page.getByRole('button', { name: 'Bring in 2' }).click();
    await expect(page.getByRole('dialog')).toHaveCount(0);
    await page.goto('/presets/wheel');
    await expect(page.getByRole('region', { name: 'Versions' })).toContainText('From theirs.json');
    // What it decides stands above the versions, and moves them down when it is there.
    await expect(page.getByRole('table', { name: /^What the preset decides/ })).toBeVisible();
    await page.getByRole('button', { name: 'Go back to it' }).click();
    await expect(page.getByText('Back to version 1')).toBeVisible();
});
