import { act, renderHook } from '@testing-library/react';
import { afterEach, beforeEach, describe, expect, test, vi } from 'vitest';
import { useTyped } from '../../resources/js/ui/useTyped';

beforeEach(() => vi.useFakeTimers());
afterEach(() => vi.useRealTimers());

function field(value: string) {
    const passed: string[] = [];
    const hook = renderHook(({ shown }) => useTyped(shown, (text) => passed.push(text)), {
        initialProps: { shown: value },
    });
    return { passed, hook, now: () => hook.result.current };
}

describe('a field', () => {
    test('passes on what was typed a moment after the last key', () => {
        const { passed, now } = field('9');
        for (const text of ['1', '12', '12.5']) {
            act(() => now().type(text));
            act(() => vi.advanceTimersByTime(30));
        }
        expect([passed, now().typed]).toEqual([[], '12.5']);
        act(() => vi.advanceTimersByTime(60));
        expect(passed).toEqual(['12.5']);
    });

    test('keeps what is typed while another value comes in, and shows that once it is left', () => {
        const { passed, hook, now } = field('9');
        act(() => now().type('12,'));
        hook.rerender({ shown: '11.9' });
        expect(now().typed).toBe('12,');
        act(() => now().settle());
        expect([passed, now().typed]).toEqual([['12,'], '11.9']);
    });

    test('lets go of what was typed when Esc is pressed', () => {
        const { passed, hook, now } = field('9');
        act(() => now().type('12'));
        act(() => void window.dispatchEvent(new KeyboardEvent('keydown', { key: 'Escape' })));
        hook.unmount();
        act(() => vi.advanceTimersByTime(200));
        expect([passed, now().typed]).toEqual([[], '9']);
    });

    test('passes on at once what is dragged, and what was typed when it goes away', () => {
        const { passed, hook, now } = field('9');
        act(() => now().drag('3'));
        expect(passed).toEqual(['3']);
        act(() => now().type('4'));
        hook.unmount();
        expect(passed).toEqual(['3', '4']);
    });
});
