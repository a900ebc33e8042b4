import { QueryClient, QueryClientProvider } from '@tanstack/react-query';
import { act, renderHook, waitFor } from '@testing-library/react';
import type { ReactNode } from 'react';
import { beforeEach, describe, expect, test, vi } from 'vitest';
import { ApiError, api } from '../../resources/js/api/client';
import type { Sheet, SheetRequest } from '../../resources/js/api/types';
import { useSheet } from '../../resources/js/sheet/useSheet';
import { column, sheetOf } from './sheets';

/** A server that keeps one sheet, and answers when it is told to. */
function server() {
    let kept = sheetOf([column('a')]);
    const saved: SheetRequest[] = [];
    const held: (() => void)[] = [];
    const state = { hold: false, fail: null as Error | null };
    vi.spyOn(api, 'sheet').mockImplementation(async () => kept);
    vi.spyOn(api, 'saveSheet').mockImplementation(async (_, request) => {
        saved.push(request);
        if (state.hold) {
            await new Promise<void>((go) => held.push(go));
        }
        if (state.fail !== null) {
            throw state.fail;
        }
        kept = sheetOf(request.outputs as never, request.range ?? null) as Sheet;
        return kept;
    });
    return { saved, state, answer: () => held.shift()?.() };
}

async function opened() {
    const client = new QueryClient({ defaultOptions: { queries: { retry: false } } });
    const wrapper = ({ children }: { children: ReactNode }) => (
        <QueryClientProvider client={client}>{children}</QueryClientProvider>
    );
    const hook = renderHook(() => useSheet(7), { wrapper });
    await waitFor(() => expect(hook.result.current.sheet).toBeDefined());
    return hook.result;
}

const keys = (result: { current: ReturnType<typeof useSheet> }) =>
    result.current.outputs.map(({ key }) => key).join('');

beforeEach(() => sessionStorage.clear());

describe('a change', () => {
    test('shows at once, is saved, and the old figures stay until the new ones are there', async () => {
        const { state, saved, answer } = server();
        const sheet = await opened();
        state.hold = true;
        act(() => sheet.current.change([column('a'), column('b')]));
        expect([keys(sheet), sheet.current.planning, sheet.current.sheet?.outputs.length]).toEqual(['ab', true, 1]);
        await waitFor(() => expect(saved).toHaveLength(1));
        answer();
        await waitFor(() => expect(sheet.current.planning).toBe(false));
        expect([keys(sheet), sheet.current.sheet?.outputs.length]).toEqual(['ab', 2]);
    });

    test('that was overtaken while it waited in line is left out; the last one stays', async () => {
        const { state, saved, answer } = server();
        const sheet = await opened();
        state.hold = true;
        for (const name of ['b', 'c', 'd']) {
            act(() => sheet.current.change([column(name)], 'typing'));
            await act(async () => undefined);
        }
        answer();
        await waitFor(() => expect(saved).toHaveLength(2));
        answer();
        await waitFor(() => expect(sheet.current.planning).toBe(false));
        expect(saved.map(({ outputs }) => outputs[0]?.key)).toEqual(['b', 'd']);
        expect(keys(sheet)).toBe('d');
    });

    test.each([
        [new ApiError(422, 'malformed', 'The request is not in its format.'), 'The request is not in its format.'],
        [new ApiError(0, 'unreachable', 'Outer Crate does not answer.'), 'Outer Crate does not answer.'],
        [new TypeError('odd'), 'The change could not be saved.'],
    ])('that cannot be saved says why and gives back what was (%s)', async (error, says) => {
        const { state } = server();
        const sheet = await opened();
        state.fail = error;
        act(() => sheet.current.change([column('b')]));
        await waitFor(() => expect(sheet.current.problem).toBe(says));
        expect([keys(sheet), sheet.current.planning]).toEqual(['a', false]);
        // The next change that works clears it.
        state.fail = null;
        act(() => sheet.current.change([column('c')]));
        await waitFor(() => expect(sheet.current.problem).toBeNull());
        expect(keys(sheet)).toBe('c');
    });

    test('that cannot be saved stops what waits for it, and not what comes later', async () => {
        const { state, answer, saved } = server();
        const sheet = await opened();
        state.hold = true;
        state.fail = new ApiError(422, 'malformed', 'No.');
        act(() => sheet.current.change([column('b')]));
        await waitFor(() => expect(saved).toHaveLength(1));
        const waiting = expect(sheet.current.settled()).rejects.toThrow('No.');
        answer();
        await waiting;
        // Now the sheet shows what it was before, and that may be packed.
        await waitFor(() => expect(keys(sheet)).toBe('a'));
        await expect(sheet.current.settled()).resolves.toBeUndefined();
    });

    test('that still waits in line goes out when the page is left', async () => {
        const { state, saved } = server();
        const sheet = await opened();
        state.hold = true;
        act(() => sheet.current.change([column('b')]));
        await waitFor(() => expect(saved).toHaveLength(1));
        act(() => sheet.current.change([column('c')]));
        window.dispatchEvent(new Event('pagehide'));
        expect(saved.map(({ outputs }) => outputs[0]?.key)).toEqual(['b', 'c']);
    });

    test('is packed once it is saved; a page that is left before hands both over in one', async () => {
        const { state, saved, answer } = server();
        const pack = vi.spyOn(api, 'pack').mockResolvedValue({ pack: 'p', runs: [] });
        const both = vi.spyOn(api, 'saveAndPack').mockResolvedValue(sheetOf([]) as Sheet);
        const sheet = await opened();
        window.dispatchEvent(new Event('pagehide'));
        state.hold = true;
        act(() => sheet.current.change([column('b')]));
        await waitFor(() => expect(saved).toHaveLength(1));
        const packed = sheet.current.pack(true);
        expect([pack.mock.calls.length, both.mock.calls.length]).toEqual([0, 0]);
        window.dispatchEvent(new Event('pagehide'));
        expect(both.mock.calls).toEqual([[7, { ...saved[0], version: 1 }, true]]);
        // The browser may show the page again as it was left: nothing is asked for twice, whatever became of the request.
        state.fail = new ApiError(0, 'unreachable', 'Cut off.');
        answer();
        await packed;
        expect([pack.mock.calls.length, both.mock.calls.length]).toEqual([0, 1]);
        // What comes later is packed as ever, and is nothing that is still to be packed then.
        await sheet.current.pack(false);
        window.dispatchEvent(new Event('pagehide'));
        expect([pack.mock.calls, both.mock.calls.length]).toEqual([[[7, false]], 1]);
    });
});

describe('a sheet that another window changed, too', () => {
    test('says what a save began from, and shows what came of it', async () => {
        const { saved } = server();
        const sheet = await opened();
        act(() => sheet.current.change([column('a'), column('b')]));
        await waitFor(() => expect(sheet.current.planning).toBe(false));
        expect(saved[0]?.version).toBe(1);
        // The server merges a column of the other window in, and tells what both changed.
        vi.spyOn(api, 'saveSheet').mockImplementation(async (_, request) => {
            saved.push(request);
            const told = ['Bitrate of output 1 was changed in another window, too. What you set here stays.'];
            return { ...sheetOf([...(request.outputs as never[]), column('theirs')]), version: 9, told } as Sheet;
        });
        act(() => sheet.current.change([column('a')]));
        await waitFor(() => expect(sheet.current.outputs.map(({ key }) => key)).toEqual(['a', 'theirs']));
        expect(sheet.current.told[0]).toContain('another window');
        act(() => sheet.current.dismiss());
        expect(sheet.current.told).toEqual([]);
        act(() => sheet.current.change([column('z')]));
        await waitFor(() => expect(saved.at(-1)?.version).toBe(9));
    });
});

describe('undo', () => {
    test('takes a change back and redo makes it again, range and columns alike', async () => {
        server();
        const sheet = await opened();
        act(() => sheet.current.change([column('b')]));
        await waitFor(() => expect(sheet.current.planning).toBe(false));
        act(() => sheet.current.setRange({ first: 5, last: 9 }));
        await waitFor(() => expect(sheet.current.planning).toBe(false));
        expect([sheet.current.range, sheet.current.canUndo, sheet.current.canRedo]).toEqual([
            { first: 5, last: 9 },
            true,
            false,
        ]);
        act(() => sheet.current.undo());
        await waitFor(() => expect(sheet.current.planning).toBe(false));
        act(() => sheet.current.undo());
        await waitFor(() => expect(sheet.current.planning).toBe(false));
        expect([keys(sheet), sheet.current.range, sheet.current.canUndo]).toEqual(['a', null, false]);
        act(() => sheet.current.undo());
        expect(keys(sheet)).toBe('a');
        act(() => sheet.current.redo());
        await waitFor(() => expect(sheet.current.planning).toBe(false));
        expect([keys(sheet), sheet.current.canRedo]).toEqual(['b', true]);
    });

    test('survives a reload whose page is answered before the last change arrives', async () => {
        const { state, saved, answer } = server();
        const before = await opened();
        act(() => before.current.change([column('b')]));
        await waitFor(() => expect(before.current.planning).toBe(false));
        state.hold = true;
        act(() => before.current.change([column('c')]));
        await waitFor(() => expect(saved).toHaveLength(2));
        state.hold = false;
        const after = await opened();
        await waitFor(() => expect([keys(after), after.current.planning]).toEqual(['c', false]));
        act(() => after.current.undo());
        expect(keys(after)).toBe('b');
        act(() => after.current.undo());
        await waitFor(() => expect([keys(after), after.current.canUndo]).toEqual(['a', false]));
        answer();
    });

    test('of another tab is left alone', async () => {
        const { saved } = server();
        const here = await opened();
        act(() => here.current.change([column('b')]));
        await waitFor(() => expect(here.current.planning).toBe(false));
        await api.saveSheet(7, { outputs: [column('a')] } as never);
        const again = await opened();
        expect([keys(again), saved.length, again.current.canUndo]).toEqual(['a', 2, false]);
    });

    test('is there after a reload, too', async () => {
        server();
        const before = await opened();
        act(() => before.current.change([column('b')]));
        await waitFor(() => expect(before.current.planning).toBe(false));
        const after = await opened();
        await waitFor(() => expect(after.current.canUndo).toBe(true));
        act(() => after.current.undo());
        await waitFor(() => expect(keys(after)).toBe('a'));
    });
});
