// Serves the application as bin/start does, on a scratch database and scratch folders, for tests that speak HTTP to it.
import { execFileSync, spawn } from 'node:child_process';
import { mkdirSync, mkdtempSync, rmSync, writeFileSync } from 'node:fs';
import { createServer } from 'node:net';
import { tmpdir } from 'node:os';
import { join } from 'node:path';

const freePort = () =>
    new Promise((resolve) => {
        const probe = createServer().listen(0, '127.0.0.1', () => {
            const { port } = probe.address();
            probe.close(() => resolve(port));
        });
    });

export async function serve() {
    const root = new URL('../../', import.meta.url).pathname;
    const scratch = mkdtempSync(join(tmpdir(), 'outer-crate-node-'));
    for (const name of ['media', 'uploads', 'derived']) {
        mkdirSync(join(scratch, name));
    }
    writeFileSync(join(scratch, 'scratch.sqlite'), '');
    const env = {
        ...process.env,
        APP_ENV: 'production',
        DB_DATABASE: join(scratch, 'scratch.sqlite'),
        CRATE_MEDIA_FOLDERS: join(scratch, 'media'),
        CRATE_UPLOADS: join(scratch, 'uploads'),
        CRATE_DERIVED: join(scratch, 'derived'),
    };
    const port = await freePort();
    const served = join(scratch, 'served');
    mkdirSync(served);
    spawn('php', ['artisan', 'crate:start', '--pages-only', `--port=${port}`, `--folder=${served}`], {
        cwd: root,
        env,
        stdio: 'ignore',
        detached: true,
    });
    const address = `http://127.0.0.1:${port}`;
    for (let i = 0; i < 300; i++) {
        const answered = await fetch(`${address}/api/uploads`).then(
            (response) => response.ok,
            () => false,
        );
        if (answered) {
            break;
        }
        await new Promise((resolve) => setTimeout(resolve, 100));
    }
    return {
        address,
        uploads: join(scratch, 'uploads'),
        served,
        stop: () => {
            execFileSync('bin/supervise', ['stop', served], { cwd: root });
            rmSync(scratch, { recursive: true, force: true });
        },
    };
}
