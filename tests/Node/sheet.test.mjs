// What the sheet does by itself, without the server: columns, steps, rows, rules to copy.
import assert from 'node:assert/strict';
import { before, test } from 'node:test';
import { load } from './page.mjs';

let outputs;
let rows;
let history;
let clipboard;
before(async () => {
    [outputs, rows, history, clipboard] = await Promise.all(
        ['sheet/outputs.ts', 'sheet/rows.ts', 'sheet/history.ts', 'sheet/clipboard.ts'].map(load),
    );
});

const column = (key, edits = {}) => ({ key, preset: 'review-720', host: null, edits, range: null });
const keys = (columns) => columns.map(({ key }) => key).join('');

test('a column moves by a place and no further than the ends', () => {
    const columns = ['a', 'b', 'c'].map((key) => column(key));
    for (const [key, by, expected] of [
        ['a', 1, 'bac'],
        ['c', -1, 'acb'],
        ['a', -1, 'abc'],
        ['c', 1, 'abc'],
        ['x', 1, 'abc'],
    ]) {
        assert.equal(keys(outputs.moved(columns, key, by)), expected);
    }
    assert.equal(keys(outputs.placed(columns, 'a', 2)), 'bca');
    assert.equal(keys(outputs.placed(columns, 'c', 0)), 'cab');
});

test('an edit is laid into one cell of one column, and null takes it back', () => {
    const columns = [column('a', { sound: 'none' }), column('b')];
    const edited = outputs.withEdit(columns, 'a', { rate: { mode: 'cbr' } });
    assert.deepEqual(edited[0].edits, { sound: 'none', rate: { mode: 'cbr' } });
    assert.deepEqual(edited[1], columns[1]);
    assert.deepEqual(outputs.withEdit(edited, 'a', { sound: null })[0].edits, { rate: { mode: 'cbr' } });
    assert.deepEqual(columns[0].edits, { sound: 'none' });
});

test('a named value stands beside what was said already, a word too', () => {
    assert.deepEqual(outputs.withPart('host', 'loudness', -15), { as: 'host', loudness: -15 });
    assert.deepEqual(outputs.withPart({ codec: 'aac', kbps: 96 }, 'kbps', 128), { codec: 'aac', kbps: 128 });
    assert.deepEqual(outputs.withPart(null, 'gamma', null), { gamma: null });
});

test('a rule holds when it was set, or says what is decided already', () => {
    const decided = { codec: 'h264', profile: 'high', level: '4.1' };
    for (const [choice, set, expected] of [
        [{ codec: 'h264', profile: 'high' }, null, true],
        [{ codec: 'h264', profile: 'main' }, null, false],
        [{ codec: 'h264', profile: 'high' }, { codec: 'h264', profile: 'main' }, false],
        [{ codec: 'h264', profile: 'main' }, { codec: 'h264', profile: 'main' }, true],
        ['none', null, false],
        ['none', 'none', true],
    ]) {
        assert.equal(outputs.says(choice, set, decided), expected, JSON.stringify([choice, set]));
    }
    assert.equal(outputs.says({ set: 'mp4' }, null, { id: 'mp4' }), true);
});

test('steps that share a name are one; a new step forgets what was taken back', () => {
    const first = { range: null, outputs: [column('a')] };
    const once = history.stepped(history.empty, first, 'typing');
    const twice = history.stepped(once, { range: null, outputs: [column('b')] }, 'typing');
    assert.equal(twice.past.length, 1);
    assert.deepEqual(twice.past[0], first);
    const other = history.stepped({ ...twice, future: [first] }, first, null);
    assert.deepEqual([other.past.length, other.future.length], [2, 0]);
    let many = history.empty;
    for (let i = 0; i < 200; i++) {
        many = history.stepped(many, first, null);
    }
    assert.equal(many.past.length, 60);
});

test('steps are remembered for the sheet that they lead to, and for no other', () => {
    const kept = new Map();
    globalThis.sessionStorage = {
        getItem: (key) => kept.get(key) ?? null,
        setItem: (key, value) => kept.set(key, value),
    };
    const now = { range: null, outputs: [column('a')] };
    const steps = { past: [now], future: [], name: 'typing' };
    history.keep(7, steps, now);
    assert.deepEqual(history.recall(7, now), { ...steps, name: null });
    assert.deepEqual(history.recall(8, now), history.empty);
    assert.deepEqual(history.recall(7, { range: null, outputs: [] }), history.empty);
    kept.set('outer-crate/history/7', '{broken');
    assert.deepEqual(history.recall(7, now), history.empty);
    globalThis.sessionStorage.setItem = () => {
        throw new Error('full');
    };
    history.keep(7, steps, now);
});

const part = (key, kind, options = []) => ({
    key,
    label: key,
    kind,
    options,
    unit: 'LUFS',
    least: 0,
    most: 1,
    step: 1,
    about: '',
});
const parts = {
    sound: [part('loudness', 'number'), part('tracks', 'options', [{ label: 'All', value: 'all', about: '' }])],
    frameRate: [part('exact', 'text'), part('by', 'options')],
};

test('rarely used rows are hidden until they are unfolded or used', () => {
    const named = (unfolded, columns) => rows.rowsOf(parts, unfolded, columns).map((row) => row.part?.key ?? row.cell);
    const plain = named([], [column('a')]);
    assert.equal(plain.length, outputs.cells.length);
    assert.ok(
        named(['sound'], [column('a')])
            .join()
            .includes('sound,loudness,tracks'),
    );
    assert.ok(
        named([], [column('a', { sound: { loudness: -15 } })])
            .join()
            .includes('sound,loudness,file'),
    );
    assert.equal(named([], [column('a', { sound: { loudness: null } })]).length, plain.length);
    // A size or a rate of one's own is the business of the cell's own editor.
    assert.ok(!named(['frameRate'], [column('a')]).includes('exact'));
    assert.ok(rows.rowsOf(undefined, [], []).every((row) => !row.folds));
});

test('a row says what it holds, and nothing where there is no picture', () => {
    const plan = {
        values: {
            picture: { codec: 'h264' },
            keyframes: { frames: 50, seconds: '2/1' },
            sound: { label: 'AAC', loudness: -15.5, tracks: 'all', quiet: true, name: '' },
            colour: { gamma: 1.1 },
        },
    };
    const row = (cell, kind, key, options) => ({
        cell,
        label: '',
        folds: false,
        part: kind ? part(key, kind, options) : null,
    });
    assert.equal(rows.textOf(plan, row('sound')), 'AAC');
    assert.equal(rows.textOf(plan, row('sound', 'number', 'loudness')), '−15.5 LUFS');
    assert.equal(rows.textOf(plan, row('sound', 'options', 'tracks', parts.sound[1].options)), 'All');
    assert.equal(rows.textOf(plan, row('sound', 'switch', 'quiet')), 'yes');
    assert.equal(rows.textOf(plan, row('sound', 'text', 'name')), '–');
    assert.equal(rows.textOf(plan, row('sound', 'number', 'missing')), '–');
    assert.equal(rows.textOf(plan, row('keyframes', 'number', 'seconds')), '2 LUFS');
    const intra = { values: { ...plan.values, keyframes: { frames: 1, seconds: '1/25' } } };
    assert.equal(rows.textOf(intra, row('keyframes', 'number', 'seconds')), '–');
    const sound = { values: { ...plan.values, picture: { codec: 'none' } } };
    assert.equal(rows.textOf(sound, row('colour', 'number', 'gamma')), '–');
    assert.ok(outputs.isAbsent(sound, 'rate') && !outputs.isAbsent(sound, 'sound'));
});

test('the rule that is copied is the preset’s with what was changed laid over it', () => {
    const presets = [{ slug: 'review-720', rules: { rate: { mode: 'quality', quality: 24 }, sound: 'host' } }];
    const rule = (edits, cell) => clipboard.ruleOf(column('a', edits), cell, presets);
    assert.deepEqual(rule({}, 'rate'), { mode: 'quality', quality: 24 });
    assert.deepEqual(rule({ rate: { quality: 30 } }, 'rate'), { mode: 'quality', quality: 30 });
    assert.deepEqual(rule({ sound: { codec: 'aac' } }, 'sound'), { codec: 'aac' });
    assert.equal(rule({}, 'colour'), null);
    assert.equal(clipboard.ruleOf(column('a'), 'rate', undefined), null);
});
