import { act, renderHook } from '@testing-library/react';
import { describe, expect, test } from 'vitest';
import { useView } from '../../resources/js/viewer/useView';

const shown = (frames: number) => renderHook(() => useView(frames)).result;

describe('the strip’s view', () => {
    test('begins with all of the cut', () => {
        expect(shown(1000).current.view).toEqual({ from: 0, to: 1000 });
    });

    test.each([
        ['about the middle', 0.5, 500, { from: 250, to: 750 }],
        ['about the first frame', 0.5, 0, { from: 0, to: 500 }],
        ['about the last', 0.5, 1000, { from: 500, to: 1000 }],
        ['no further than twelve frames', 0.0001, 500, { from: 494, to: 506 }],
        ['no further out than the cut', 4, 300, { from: 0, to: 1000 }],
    ])('zooms %s', (_, factor, about, expected) => {
        const view = shown(1000);
        act(() => view.current.zoom(factor, about));
        expect(view.current.view).toEqual(expected);
    });

    test('keeps the place under the pointer where it is', () => {
        const view = shown(1000);
        act(() => view.current.show(200, 400));
        act(() => view.current.zoom(0.5, 300));
        const { from, to } = view.current.view;
        expect((300 - from) / (to - from)).toBeCloseTo(0.25);
    });

    test.each([
        ['inside it already', 250, 200],
        ['before it', 100, 100],
        ['behind it', 450, 351],
        ['at the very end', 999, 900],
    ])('moves just far enough for a frame %s', (_, frame, from) => {
        const view = shown(1000);
        act(() => view.current.show(200, 100));
        act(() => view.current.reveal(frame));
        expect(view.current.view).toEqual({ from, to: from + 100 });
    });

    test('shows a cut of a few frames whole, however it is zoomed', () => {
        const view = shown(5);
        act(() => view.current.zoom(0.1, 2));
        act(() => view.current.show(3, 1));
        expect(view.current.view).toEqual({ from: 0, to: 5 });
    });
});
