// Serves the stand-in host on a scratch folder, for tests that speak HTTP to it.
import { execFileSync, spawn } from 'node:child_process';
import { mkdtempSync, rmSync } from 'node:fs';
import { createServer } from 'node:net';
import { tmpdir } from 'node:os';
import { join } from 'node:path';

const listens = (port) =>
    new Promise((resolve) => {
        const probe = createServer()
            .once('error', () => resolve(false))
            .listen(port, '127.0.0.1', () => probe.close(() => resolve(true)));
    });

async function twoFreePorts() {
    for (;;) {
        const port = 20_000 + Math.floor(Math.random() * 30_000);
        if ((await listens(port)) && (await listens(port + 1))) {
            return port;
        }
    }
}

export async function serveHost() {
    const root = new URL('../../', import.meta.url).pathname;
    const storage = mkdtempSync(join(tmpdir(), 'outer-crate-host-'));
    const env = { ...process.env, STANDIN_STORAGE: storage };
    const port = await twoFreePorts();
    const address = `http://127.0.0.1:${port}`;
    const host = spawn('bin/standin', [String(port)], { cwd: root, env, stdio: 'ignore', detached: true });
    const ended = new Promise((resolve) => host.once('exit', resolve));
    for (let i = 0; i < 200; i++) {
        if (
            await fetch(`${address}/api/faults`).then(
                ({ ok }) => ok,
                () => false,
            )
        ) {
            break;
        }
        await new Promise((resolve) => setTimeout(resolve, 100));
    }
    execFileSync('php', ['standin/artisan', 'standin:account', 'kiln-diary', 'made up'], { cwd: root, env });
    const signIn = await fetch(`${address}/api/tokens`, {
        method: 'POST',
        headers: { 'Content-Type': 'application/json' },
        body: JSON.stringify({ host: 'lanternwick', name: 'kiln-diary', password: 'made up' }),
    });
    const { token } = await signIn.json();
    return {
        address,
        headers: { Authorization: `Bearer ${token}` },
        fault: (name, value) =>
            fetch(`${address}/api/faults/${name}`, {
                method: 'PUT',
                headers: { 'Content-Type': 'application/json' },
                body: JSON.stringify(value),
            }),
        async stop() {
            process.kill(host.pid, 'SIGTERM');
            await ended;
            rmSync(storage, { recursive: true, force: true });
        },
    };
}
