// What bin/serve reads beforehand for all answers.
import assert from 'node:assert/strict';
import { readFileSync } from 'node:fs';
import { join } from 'node:path';
import { after, before, test } from 'node:test';
import { serve } from './server.mjs';

let server;

before(async () => {
    server = await serve();
});
after(() => server.stop());

test('links the classes of packages once for all answers, and none of ours', async () => {
    const read = (name) => readFileSync(join(server.served, name), 'utf8');
    const classes = read('classes').trim().split('\n');
    assert.ok(classes.includes('Illuminate\\Foundation\\Application'));
    assert.ok(classes.includes('Illuminate\\Database\\Eloquent\\Model'));
    assert.deepEqual(
        classes.filter((name) => /^(App|OuterCrate)\\/.test(name)),
        [],
    );
    // Every one of them could be linked, so that the server was told to.
    assert.equal(read('linking.log'), '');
    assert.match(readFileSync(`/proc/${server.process}/environ`, 'utf8'), /\0CRATE_PRELOAD=[^\0]+preload\.php/);
    const answer = await fetch(`${server.address}/api/runs?latest=8&first=4`);
    assert.equal(answer.status, 200);
});
