import { act, renderHook } from '@testing-library/react';
import { afterEach, expect, test, vi } from 'vitest';
import { useKept } from '../../resources/js/ui/useKept';

afterEach(() => {
    vi.restoreAllMocks();
    sessionStorage.clear();
});

const nothing: string[] = [];
const kept = () => renderHook(() => useKept('place', nothing));

test('what is kept is there when the page is come back to, and gone when it is empty again', () => {
    const first = kept();
    expect(first.result.current[0]).toBe(nothing);
    act(() => first.result.current[1](['a', 'b']));
    first.unmount();
    const again = kept();
    expect(again.result.current[0]).toEqual(['a', 'b']);
    act(() => again.result.current[1](nothing));
    expect(sessionStorage.getItem('place')).toBeNull();
    again.unmount();
    expect(kept().result.current[0]).toBe(nothing);
});

test('without room, and where something else was written, the page goes on', () => {
    sessionStorage.setItem('place', '{not json');
    vi.spyOn(Storage.prototype, 'setItem').mockImplementation(() => {
        throw new DOMException('full', 'QuotaExceededError');
    });
    const { result } = kept();
    expect(result.current[0]).toBe(nothing);
    act(() => result.current[1](['a']));
    expect(result.current[0]).toEqual(['a']);
});
