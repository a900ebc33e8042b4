import { act, cleanup, renderHook } from '@testing-library/react';
import { afterEach, beforeEach, expect, test, vi } from 'vitest';
import type { Dispatch } from '../../resources/js/api/types';
import { useDetails } from '../../resources/js/dispatch/useDetails';

type Details = Dispatch['details'];

const said: Details = {
    title: 'Kiln Diary 14',
    description: '',
    tags: [],
    category: '',
    licence: '',
    language: '',
    declarations: { children: true },
};

beforeEach(() => vi.useFakeTimers());
afterEach(() => {
    cleanup();
    vi.useRealTimers();
});

/** The form over a server that answers when it is told to. */
function form() {
    const sent: Partial<Details>[] = [];
    const ends: { keep: () => void; lose: () => void }[] = [];
    const keep = (change: Partial<Details>) => {
        sent.push(change);
        return new Promise<void>((resolve, reject) => {
            ends.push({ keep: resolve, lose: () => reject(new Error('gone')) });
        });
    };
    const { result, unmount } = renderHook(() => useDetails(said, keep));
    const answer = (paid: boolean) => act(() => result.current.change({ declarations: { paid } }));
    const pause = () => act(() => vi.advanceTimersByTimeAsync(400));
    return { sent, ends, result, answer, pause, unmount };
}

test('answers go out one after another, and one does not take another back', async () => {
    const { sent, ends, result, answer, pause } = form();
    answer(false);
    await pause();
    act(() => result.current.change({ declarations: { rights: true } }));
    act(() => result.current.change({ title: 'Bowl' }));
    await pause();
    expect(sent).toEqual([{ declarations: { paid: false } }]);
    expect(result.current.details.declarations).toEqual({ children: true, paid: false, rights: true });
    await act(async () => ends[0]?.keep());
    expect(sent[1]).toEqual({ declarations: { rights: true }, title: 'Bowl' });
    expect(result.current.details).toMatchObject({ title: 'Bowl', declarations: { paid: false, rights: true } });
    // Once all is kept, what is kept counts.
    await act(async () => ends[1]?.keep());
    expect(result.current.details).toEqual(said);
});

test('what could not be kept stays, and goes out again with what is typed next', async () => {
    const { sent, ends, result, answer, pause } = form();
    answer(true);
    await pause();
    await act(async () => ends[0]?.lose());
    expect(result.current.details.declarations).toEqual({ children: true, paid: true });
    act(() => result.current.change({ title: 'Bowl' }));
    await pause();
    expect(sent[1]).toEqual({ declarations: { paid: true }, title: 'Bowl' });
});

test('what waits goes out when the page is left, whatever is on its way', async () => {
    const { sent, answer, pause, unmount } = form();
    answer(true);
    await pause();
    answer(false);
    unmount();
    expect(sent).toEqual([{ declarations: { paid: true } }, { declarations: { paid: false } }]);
});
