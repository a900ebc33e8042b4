// What the server refuses before PHP sees it, and what it does not wait for.
import assert from 'node:assert/strict';
import { realpathSync, rmSync } from 'node:fs';
import { connect } from 'node:net';
import { join } from 'node:path';
import { after, before, test } from 'node:test';
import { serve } from './server.mjs';

let server;
before(async () => {
    server = await serve();
});
after(() => server.stop());

const HEAD = 'Host: 127.0.0.1\r\nContent-Type: application/json\r\n';

/** Sends text from an address of this machine and gives what came back until the server closed, or until it has answered. */
const send = (text, { from = '127.0.0.1', keepOpen = false } = {}) =>
    new Promise((resolve) => {
        let answer = '';
        const { port } = new URL(server.address);
        const socket = connect({ host: '127.0.0.1', port, localAddress: from }, () => socket.write(text));
        const done = () => resolve({ answer, status: Number(answer.split(' ')[1] ?? 0), socket });
        socket.on('data', (bytes) => {
            answer += bytes;
            done();
        });
        socket.on('close', done);
        // A connection that took too long is reset.
        socket.on('error', done);
        if (keepOpen) {
            setTimeout(done, 300);
        }
    });

test('refuses a body that is too large by its announced length, in the words of the API', async () => {
    for (const [path, length] of [
        ['/api/plan', 99_999_999_999],
        ['/api/plan', 17 * 1024 * 1024],
        ['/api/uploads', 65 * 1024 * 1024],
        ['/', 700_000_000],
    ]) {
        const { status, answer } = await send(`POST ${path} HTTP/1.1\r\n${HEAD}Content-Length: ${length}\r\n\r\n{`);
        assert.equal(status, 413, `${path} ${length}`);
        assert.match(answer, /"id":"too-large"/);
    }
});

test('refuses a body that does not end', async () => {
    const chunk = `100000\r\n${'x'.repeat(0x100000)}\r\n`;
    const { status } = await send(
        `POST /api/plan HTTP/1.1\r\n${HEAD}Transfer-Encoding: chunked\r\n\r\n${chunk.repeat(17)}`,
    );
    assert.equal(status, 413);
});

test('does not wait for a head that comes slowly', async () => {
    const begun = performance.now();
    await send('GET / HTTP/1.1\r\nHost: 127.0.0.1\r\nX-Slow: ');
    // Ten seconds are what it is given; the rest is for a busy machine.
    assert.ok(performance.now() - begun > 5_000 && performance.now() - begun < 40_000);
});

test('answers a visitor who keeps others waiting nowhere else: the limit of connections is one of each address', async () => {
    const slow = `POST /api/plan HTTP/1.1\r\n${HEAD}Content-Length: 1000\r\n\r\n{`;
    const open = await Promise.all(Array.from({ length: 20 }, () => send(slow, { from: '127.0.0.9', keepOpen: true })));
    assert.equal((await send(slow, { from: '127.0.0.9' })).status, 429);
    assert.equal((await fetch(`${server.address}/api/uploads`)).status, 200);
    for (const { socket } of open) {
        socket.destroy();
    }
});

test('serves no script and nothing hidden beside the pages', async () => {
    for (const path of ['/index.php', '/.env', '/../.env', '/build/.vite/manifest.json', '/nothing.php']) {
        const { status } = await send(`GET ${path} HTTP/1.1\r\nHost: 127.0.0.1\r\nConnection: close\r\n\r\n`);
        assert.ok([400, 404].includes(status), `${path} ${status}`);
    }
});

test('answers 503 in the format of the API when PHP-FPM cannot be reached', async () => {
    rmSync(realpathSync(join(server.served, 'php-fpm.sock')));
    // nginx keeps some connections open, but several simultaneous requests need new ones.
    const ask = (path) => Promise.all(Array.from({ length: 15 }, () => fetch(server.address + path)));
    const refused = (await ask('/api/uploads')).filter(({ status }) => status !== 200);
    assert.ok(refused.length > 0);
    for (const answer of refused) {
        assert.equal(answer.status, 503);
        assert.equal((await answer.json()).error.id, 'unavailable');
    }
    const page = (await ask('/')).find(({ status }) => status !== 200);
    assert.equal(page.status, 503);
    assert.match(await page.text(), /^Outer Crate is restarting/);
});
