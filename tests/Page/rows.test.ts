// @vitest-environment node
import { describe, expect, test } from 'vitest';
import { gather, lookOf } from '../../resources/js/cells';
import type { CellName } from '../../resources/js/sheet/outputs';
import { type Row, rowsOf, textOf } from '../../resources/js/sheet/rows';
import { cellOf, column, part, planOf } from './sheets';

const choice = { label: 'Follow', about: '', group: '', rule: 'follow' };
const cells = [
    cellOf('container', [], [choice]),
    cellOf('audio', [part('loudness', 'number', { unit: 'LUFS' }), part('exact', 'text')], [choice]),
    cellOf('file', [part('template', 'text')]),
];
const row = (cell: string, kind: string | null = null, key = '', more = {}): Row => ({
    cell: cell as CellName,
    label: cell,
    part: kind === null ? null : part(key, kind, more),
    folds: false,
});

describe('rows', () => {
    const names = (rows: Row[]) => rows.map(({ cell, part }) => (part === null ? cell : `${cell}/${part.key}`));

    test('stand in the server’s order, named values where a cell is unfolded', () => {
        expect(names(rowsOf(cells, [], []))).toEqual(['container', 'audio', 'file']);
        expect(names(rowsOf(cells, ['audio'], []))).toEqual(['container', 'audio', 'audio/loudness', 'file']);
        expect(names(rowsOf(cells, 'all', []))).toEqual([
            'container',
            'audio',
            'audio/loudness',
            'file',
            'file/template',
        ]);
    });

    test('a named value that someone uses is shown', () => {
        expect(names(rowsOf(cells, [], [column('a', { audio: { loudness: -15 } })]))).toContain('audio/loudness');
        expect(names(rowsOf(cells, [], [column('a', { audio: { loudness: null } })]))).not.toContain('audio/loudness');
    });

    test('a cell with named values folds', () => {
        expect(rowsOf(cells, [], []).map(({ folds }) => folds)).toEqual([false, true, true]);
    });

    test('a made-up cell of the server is a row without a line of code here', () => {
        const made = cellOf('smell', [part('strength', 'number')], [choice]);
        expect(names(rowsOf([...cells, made], ['smell' as CellName], []))).toContain('smell/strength');
        expect(lookOf('smell' as CellName)).toEqual({ name: 'smell' });
        // biome-ignore lint/correctness/noComponentHookFactories: the test defines its own component
        const Editor = () => null;
        const known = gather({ './smell/cell.ts': { cell: { name: 'smell' as CellName, Editor } } });
        expect(known('smell' as CellName).Editor).toBe(Editor);
    });
});

describe('what a row says', () => {
    const plan = planOf();
    const options = [
        { label: 'First', value: 'first', about: '' },
        { label: 'All', value: 'all', about: '' },
    ];

    test.each([
        [row('audio'), 'AAC'],
        [row('audio', 'number', 'loudness', { unit: 'LUFS' }), '−15.5 LUFS'],
        [row('audio', 'options', 'tracks', { options }), 'All'],
        [row('audio', 'switch', 'quiet'), 'yes'],
        [row('audio', 'switch', 'missing'), 'no'],
        [row('audio', 'text', 'name'), '–'],
        [row('audio', 'number', 'missing'), '–'],
        [row('keyframes', 'number', 'seconds', { unit: 's' }), '2 s'],
    ])('%j', (of, expected) => {
        expect(textOf(plan, of)).toBe(expected);
    });

    test('nothing where nothing can be changed', () => {
        expect(textOf(planOf({ fixed: ['keyframes'] }), row('keyframes', 'number', 'seconds'))).toBe('–');
    });
});
