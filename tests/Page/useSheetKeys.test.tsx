import { act, renderHook } from '@testing-library/react';
import type { KeyboardEvent } from 'react';
import { beforeEach, describe, expect, test, vi } from 'vitest';
import type { Output } from '../../resources/js/sheet/outputs';
import { rowsOf } from '../../resources/js/sheet/rows';
import { useSheetKeys } from '../../resources/js/sheet/useSheetKeys';
import { cellOf, column, planOf } from './sheets';

const cells = [cellOf('video'), cellOf('bitrate'), cellOf('audio')];
const rows = rowsOf(cells, [], []);
const written: string[] = [];

function keyboard(outputs: Output[]) {
    const table = document.createElement('table');
    for (let row = -2; row < rows.length + 4; row++) {
        for (let at = 0; at < outputs.length; at++) {
            const cell = document.createElement('button');
            cell.dataset.at = `${row},${at}`;
            table.append(cell);
        }
    }
    document.body.replaceChildren(table);
    const change = vi.fn<(outputs: Output[], name?: string | null) => void>();
    const plans = new Map(outputs.map((output) => [output.key, planOf({ edits: output.edits })]));
    const hook = renderHook(() =>
        useSheetKeys({ table: { current: table }, cells, rows, shown: outputs, outputs, plans, change }),
    );
    const press = (at: string, key: string, more: Partial<KeyboardEvent> = {}) => {
        const target = table.querySelector<HTMLElement>(`[data-at="${at}"]`);
        target?.focus();
        act(() =>
            hook.result.current.onKey({ key, target, preventDefault: () => undefined, ...more } as KeyboardEvent),
        );
    };
    return {
        press,
        change,
        said: () => hook.result.current.said,
        at: () => (document.activeElement as HTMLElement).dataset.at,
    };
}

beforeEach(() => {
    written.length = 0;
    Object.defineProperty(navigator, 'clipboard', {
        configurable: true,
        value: { writeText: async (text: string) => void written.push(text) },
    });
});

test('with Ctrl, Home and End lead to the corners: the range above, the findings below', () => {
    const { press, at } = keyboard([column('a'), column('b')]);
    press('1,1', 'Home', { ctrlKey: true });
    expect(at()).toBe('-1,0');
    press('1,0', 'End', { ctrlKey: true });
    expect(at()).toBe('6,1');
});

describe('arrows', () => {
    test.each([
        ['0,0', 'ArrowDown', '1,0'],
        ['0,0', 'ArrowRight', '0,1'],
        ['0,0', 'ArrowUp', '-1,0'],
        ['2,1', 'ArrowDown', '3,1'],
        ['6,1', 'ArrowDown', '6,1'],
        ['1,0', 'End', '1,1'],
        ['1,1', 'Home', '1,0'],
        ['0,1', 'PageDown', '5,1'],
        ['4,1', 'PageDown', '6,1'],
        ['2,1', 'PageUp', '-1,1'],
        ['0,0', 'ArrowLeft', '0,0'],
    ])('from %s with %s to %s', (from, key, to) => {
        const { press, at } = keyboard([column('a'), column('b')]);
        press(from, key);
        expect(at()).toBe(to);
    });

    test('with Alt move the column', () => {
        const { press, change } = keyboard([column('a'), column('b')]);
        press('0,0', 'ArrowRight', { altKey: true });
        expect(change.mock.calls[0]?.[0].map(({ key }) => key)).toEqual(['b', 'a']);
    });
});

describe('copy and paste', () => {
    const ctrl = { ctrlKey: true };

    test('carry the merged rule of the server to the same row of another column', () => {
        const { press, change, said } = keyboard([column('a'), column('b')]);
        press('1,0', 'c', ctrl);
        expect([said(), written]).toEqual(['Copied Quality 24.', ['Quality 24']]);
        press('1,1', 'v', ctrl);
        expect(change.mock.calls[0]?.[0][1]?.edits).toEqual({ bitrate: { mode: 'quality', quality: 24 } });
    });

    test('say where a rule belongs that is pasted elsewhere', () => {
        const { press, change, said } = keyboard([column('a')]);
        press('1,0', 'c', ctrl);
        press('2,0', 'v', ctrl);
        expect([said(), change.mock.calls.length]).toEqual(['What was copied belongs in the row bitrate.', 0]);
    });

    test('carry a whole column from its head, as one of its own', () => {
        const { press, change } = keyboard([column('a', { audio: 'none' }), column('b')]);
        press('-2,0', 'c', ctrl);
        expect(written[0]).toBe('video\tH.264 High\nbitrate\tQuality 24\naudio\tAAC');
        press('0,1', 'v', ctrl);
        const after = change.mock.calls[0]?.[0] ?? [];
        expect(after.map(({ edits }) => edits)).toEqual([{ audio: 'none' }, {}, { audio: 'none' }]);
        expect(new Set(after.map(({ key }) => key)).size).toBe(3);
    });

    test('work where the system’s clipboard does not', () => {
        Object.defineProperty(navigator, 'clipboard', { configurable: true, value: undefined });
        const { press, change } = keyboard([column('a'), column('b')]);
        press('1,0', 'c', ctrl);
        press('1,1', 'v', ctrl);
        expect(change).toHaveBeenCalledOnce();
    });
});

describe('Delete', () => {
    test('puts a changed cell back, and leaves one that was not changed', () => {
        const { press, change } = keyboard([column('a', { audio: 'none' })]);
        press('1,0', 'Delete');
        expect(change).not.toHaveBeenCalled();
        press('2,0', 'Backspace');
        expect(change.mock.calls[0]?.[0][0]?.edits).toEqual({});
    });

    test('takes a column away from its head', () => {
        const { press, change } = keyboard([column('a'), column('b')]);
        press('-2,1', 'Delete');
        expect(change.mock.calls[0]?.[0].map(({ key }) => key)).toEqual(['a']);
    });
});
