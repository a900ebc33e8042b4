// The stand-in's server with another client, and our client with another server.
import assert from 'node:assert/strict';
import { execFile } from 'node:child_process';
import { createHash, randomBytes } from 'node:crypto';
import { mkdtempSync, readFileSync, rmSync } from 'node:fs';
import { createServer } from 'node:http';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { test } from 'node:test';
import { FileStore } from '@tus/file-store';
import { Server } from '@tus/server';
import { Upload } from 'tus-js-client';
import { serveHost } from './standin.mjs';

const sum = (bytes) => createHash('sha256').update(bytes).digest('hex');

test('another client sends to the stand-in, over a line that is cut', async () => {
    const host = await serveHost();
    try {
        await host.fault('drop', { after: 700_000, times: 3 });
        const bytes = randomBytes(3_000_000);
        const upload = await new Promise((resolve, reject) => {
            const one = new Upload(bytes, {
                endpoint: `${host.address}/api/files`,
                headers: host.headers,
                metadata: { filename: 'bowl.mp4' },
                chunkSize: 200_000,
                retryDelays: [50, 50, 50, 50, 50, 50],
                onSuccess: () => resolve(one),
                onError: reject,
            });
            one.start();
        });
        const publish = (sha256) =>
            fetch(`${host.address}/api/videos`, {
                method: 'POST',
                headers: { ...host.headers, 'Content-Type': 'application/json' },
                body: JSON.stringify({ upload: upload.url.split('/').pop(), key: 'once', sha256 }),
            });
        assert.equal((await publish('another')).status, 409);
        const first = await (await publish(sum(bytes))).json();
        const again = await (await publish(sum(bytes))).json();
        assert.equal(first.video.sha256, sum(bytes));
        assert.equal(again.video.id, first.video.id);
        assert.equal((await fetch(`${host.address}/api/videos`)).status, 401);
    } finally {
        await host.stop();
    }
});

/** Runs bin/crate with surroundings of its own, and gives what it printed. */
const crate = (words, env) =>
    new Promise((resolve) => {
        const cwd = new URL('../../', import.meta.url).pathname;
        execFile('bin/crate', words, { cwd, env: { ...process.env, ...env } }, (error, out, err) =>
            resolve({ code: error?.code ?? 0, out, err }),
        );
    });

test('our client sends to another server, which is cut off in the middle', async () => {
    const scratch = mkdtempSync(join(tmpdir(), 'outer-crate-tus-'));
    const tus = new Server({ path: '/api/files', datastore: new FileStore({ directory: scratch }) });
    let cuts = 2;
    let video;
    const told = [];
    const asked = [];
    const json = (response, status, body) => {
        response.writeHead(status, { 'Content-Type': 'application/json' });
        response.end(JSON.stringify(body));
    };
    const server = createServer((request, response) => {
        if (request.url.startsWith('/api/files')) {
            asked.push(`${request.method} ${request.headers['upload-offset'] ?? ''}`.trim());
            if (request.method === 'PATCH' && cuts > 0 && Number(request.headers['upload-offset']) > 0) {
                let seen = 0;
                request.on('data', (bytes) => {
                    seen += bytes.length;
                    if (seen > 100_000 && cuts > 0) {
                        cuts--;
                        request.socket.destroy();
                    }
                });
            }
            return tus.handle(request, response);
        }
        if (request.url === '/api/tokens') {
            return json(response, 201, { token: 'good', expiresAt: null });
        }
        if (request.url === '/api/account') {
            return json(response, 200, { takes: {} });
        }
        let body = '';
        request.on('data', (bytes) => {
            body += bytes;
        });
        request.on('end', () => {
            const { upload, sha256, details } = JSON.parse(body);
            if (request.method === 'PATCH') {
                told.push(details);
                return json(response, 200, { video });
            }
            video = { id: 'one', state: 'ready', sha256 };
            const isWhole = sum(readFileSync(join(scratch, upload))) === sha256;
            json(response, isWhole ? 201 : 409, isWhole ? { video } : { error: 'checksum' });
        });
    });
    await new Promise((resolve) => server.listen(0, '127.0.0.1', resolve));
    const path = join(scratch, 'cut.mp4');
    const picture = [
        '-f',
        'lavfi',
        '-i',
        'testsrc2=s=640x360:d=2,noise=alls=40:allf=t',
        '-c:v',
        'libx264',
        '-preset',
        'ultrafast',
    ];
    await new Promise((resolve, reject) =>
        execFile('ffmpeg', ['-v', 'error', ...picture, path], (error) => (error ? reject(error) : resolve())),
    );
    const env = {
        APP_ENV: 'production',
        DB_DATABASE: join(scratch, 'scratch.sqlite'),
        CRATE_DERIVED: join(scratch, 'derived'),
        CRATE_HOSTS_AT: `platen=http://127.0.0.1:${server.address().port}`,
        CRATE_HOST_PASSWORD: 'any',
    };
    try {
        const signedIn = await crate(['accounts', 'sign-in', 'platen', 'studio'], env);
        assert.equal(signedIn.code, 0, signedIn.out + signedIn.err);
        const sent = await crate(['send', path, '--host=platen', '--json'], env);
        assert.equal(sent.code, 0, sent.out + sent.err);
        const { dispatch } = JSON.parse(sent.out);
        assert.equal(dispatch.video.sha256, sum(readFileSync(path)));
        assert.equal(dispatch.stage, 'held');
        // Begun once; what was cut went on from where it was.
        assert.equal(asked.filter((one) => one.startsWith('POST')).length, 1);
        assert.equal(cuts, 0);
        assert.equal(told.length, 1);
        assert.equal(asked.filter((one) => one === 'PATCH 0').length, 1);
    } finally {
        server.close();
        server.closeAllConnections();
        rmSync(scratch, { recursive: true, force: true });
    }
});
