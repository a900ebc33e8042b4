// The client library that the page uses, against the real server.
import assert from 'node:assert/strict';
import { createHash, randomBytes } from 'node:crypto';
import { readdirSync, readFileSync } from 'node:fs';
import { after, before, test } from 'node:test';
import { Upload } from 'tus-js-client';
import { serve } from './server.mjs';

let server;
before(async () => {
    server = await serve();
});
after(() => server.stop());

const endpoint = () => `${server.address}/api/uploads`;
const sum = (bytes) => createHash('sha256').update(bytes).digest('hex');

/** Sends bytes and gives the upload once it has ended. */
const send = (bytes, options = {}) =>
    new Promise((resolve, reject) => {
        const upload = new Upload(bytes, {
            endpoint: endpoint(),
            metadata: { filename: 'bowl.mp4' },
            retryDelays: null,
            ...options,
            onSuccess: () => resolve(upload),
            onError: reject,
        });
        options.begin ? options.begin(upload) : upload.start();
    });

const described = async (upload) => (await (await fetch(upload.url)).json()).upload;

test('sends a file in one piece, and in many', async () => {
    for (const options of [{}, { chunkSize: 100_000 }, { chunkSize: 100_000, uploadDataDuringCreation: true }]) {
        const bytes = randomBytes(1_234_567);
        const upload = await described(await send(bytes, options));
        assert.equal(upload.complete, true);
        assert.equal(upload.sha256, sum(bytes));
        assert.equal(sum(readFileSync(upload.file)), sum(bytes));
    }
});

test('sends an empty file', async () => {
    assert.equal((await described(await send(Buffer.alloc(0)))).complete, true);
});

test('goes on where it was broken off', async () => {
    const bytes = randomBytes(2_000_000);
    let url;
    await new Promise((resolve) => {
        const upload = new Upload(bytes, {
            endpoint: endpoint(),
            metadata: { filename: 'broken.mp4' },
            chunkSize: 300_000,
            onChunkComplete: (_size, accepted) => {
                if (accepted >= 900_000 && url === undefined) {
                    url = upload.url;
                    upload.abort().then(resolve);
                }
            },
        });
        upload.start();
    });
    const offset = (await described({ url })).offset;
    assert.ok(offset >= 900_000 && offset < bytes.length);
    const sent = [];
    const upload = await send(bytes, {
        uploadUrl: url,
        chunkSize: 300_000,
        onBeforeRequest: (request) => sent.push(request.getMethod()),
    });
    assert.equal(sent[0], 'HEAD');
    assert.equal(sent.filter((method) => method === 'PATCH').length, Math.ceil((bytes.length - offset) / 300_000));
    assert.equal((await described(upload)).sha256, sum(bytes));
});

test('ends an upload and removes what had arrived', async () => {
    const upload = new Upload(randomBytes(500_000), {
        endpoint: endpoint(),
        metadata: { filename: 'ended.mp4' },
        chunkSize: 100_000,
    });
    await new Promise((resolve) => {
        upload.options.onChunkComplete = resolve;
        upload.start();
    });
    await upload.abort(true);
    assert.deepEqual(
        readdirSync(server.uploads).filter((name) => name.includes('ended')),
        [],
    );
});

test('refuses a page from elsewhere', async () => {
    const response = await fetch(endpoint(), {
        method: 'POST',
        headers: { 'Tus-Resumable': '1.0.0', 'Upload-Length': '5', Origin: 'http://elsewhere.example' },
    });
    assert.equal(response.status, 403);
});
