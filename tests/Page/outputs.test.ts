// @vitest-environment node
import { describe, expect, test } from 'vitest';
import {
    canChange,
    chosen,
    draftOf,
    moved,
    type Output,
    outputsOf,
    placed,
    type Rule,
    says,
    withEdit,
    withPart,
} from '../../resources/js/sheet/outputs';
import { column, planOf, sheetOf } from './sheets';

const keys = (columns: Output[]) => columns.map(({ key }) => key).join('');

describe('columns', () => {
    const columns = ['a', 'b', 'c'].map((key) => column(key));

    test.each([
        ['a', 1, 'bac'],
        ['c', -1, 'acb'],
        ['a', -1, 'abc'],
        ['c', 1, 'abc'],
        ['x', 1, 'abc'],
    ])('%s moves by %i and no further than the ends', (key, by, expected) => {
        expect(keys(moved(columns, key, by))).toBe(expected);
    });

    test('one is taken out and put at a place', () => {
        expect(keys(placed(columns, 'a', 2))).toBe('bca');
        expect(keys(placed(columns, 'c', 0))).toBe('cab');
    });

    test('an answer that says the same of a column gives the very same column', () => {
        const sheet = sheetOf([column('a'), column('b', { audio: 'none' })], { first: 3, last: 9 });
        expect(outputsOf(sheet)[1]).toBe(outputsOf(sheet)[1]);
        expect(draftOf(sheet)).toEqual({ range: { first: 3, last: 9 }, outputs: outputsOf(sheet) });
        expect(draftOf(sheetOf([])).range).toBeNull();
    });
});

describe('rules', () => {
    test('an edit is laid into one cell of one column, and null takes it back', () => {
        const columns = [column('a', { audio: 'none' }), column('b')];
        const edited = withEdit(columns, 'a', { bitrate: { mode: 'cbr' } });
        expect(edited[0]?.edits).toEqual({ audio: 'none', bitrate: { mode: 'cbr' } });
        expect(edited[1]).toBe(columns[1]);
        expect(withEdit(edited, 'a', { audio: null })[0]?.edits).toEqual({ bitrate: { mode: 'cbr' } });
        expect(columns[0]?.edits).toEqual({ audio: 'none' });
    });

    test.each([
        ['host', 'loudness', -15, { as: 'host', loudness: -15 }],
        [{ codec: 'aac', kbps: 96 }, 'kbps', 128, { codec: 'aac', kbps: 128 }],
        [null, 'gamma', null, { gamma: null }],
    ] as const)('%j with %s said stands beside what was said already', (rule, key, value, expected) => {
        expect(withPart(rule, key, value)).toEqual(expected);
    });

    const rule = { codec: 'h264', profile: 'high', level: '4.1' };
    test.each([
        [{ codec: 'h264', profile: 'high' }, rule, true],
        [{ codec: 'h264', profile: 'main' }, rule, false],
        ['none', rule, false],
        ['none', 'none', true],
        // A value that came of following is not what was chosen.
        [{ codec: 'aac', kbps: 320 }, 'host', false],
        ['host', { as: 'host', loudness: -15 }, true],
        [{ codec: 'h264' }, undefined, false],
    ] as const)('%j holds where the rule is %j: %s', (choice, set, expected) => {
        expect(says(choice, set)).toBe(expected);
    });

    test.each([
        [{ codec: 'pcm' }, { codec: 'aac', kbps: 96, loudness: -16 }, { codec: 'pcm', loudness: -16 }],
        ['host', { codec: 'aac', loudness: -16 }, { as: 'host', loudness: -16 }],
        ['host', { codec: 'aac' }, 'host'],
        [{ codec: 'pcm' }, 'host', { codec: 'pcm' }],
        [{ codec: 'pcm' }, null, { codec: 'pcm' }],
    ] as const)('%j chosen over %j keeps what stands beside it', (choice, set, expected) => {
        expect(chosen(choice as Rule, set as Rule | null, ['loudness', 'truePeak'])).toEqual(expected);
    });

    test('what the server fixed cannot be changed', () => {
        const plan = planOf({ fixed: ['keyframes'] });
        expect([canChange(plan, 'keyframes'), canChange(plan, 'audio')]).toEqual([false, true]);
    });
});
