import { renderHook, waitFor } from '@testing-library/react';
import { beforeEach, describe, expect, test, vi } from 'vitest';
import type { Cut } from '../../resources/js/api/types';

/** A client of the tus protocol that does as it is told. */
const clients: Fake[] = [];
class Fake {
    url: string | null = null;
    running = false;
    constructor(
        readonly file: File,
        readonly options: Record<string, (...of: never[]) => unknown>,
    ) {
        clients.push(this);
    }
    findPreviousUploads = async () => [];
    start() {
        this.running = true;
        this.url ??= '/api/uploads/42';
        this.options.onUploadUrlAvailable?.();
    }
    async abort() {
        this.running = false;
    }
    sends(bytes: number) {
        (this.options.onProgress as (sent: number) => void)(bytes);
    }
    fails(status: number) {
        const error = {
            originalResponse: status === 0 ? null : { getStatus: () => status, getBody: () => '' },
            message: 'odd',
        };
        return (this.options.onShouldRetry as (error: unknown) => boolean)(error);
    }
}
vi.mock('tus-js-client', () => ({ Upload: Fake, DetailedError: class extends Error {} }));
vi.mock('../../resources/js/uploads/checkedStack', () => ({ checkedStack: () => undefined }));

let uploads: typeof import('../../resources/js/uploads/uploads');
let client: typeof import('../../resources/js/api/client');
beforeEach(async () => {
    clients.length = 0;
    vi.resetModules();
    uploads = await import('../../resources/js/uploads/uploads');
    client = await import('../../resources/js/api/client');
});

const file = (name = 'bowl.mov') => new File(['x'.repeat(1000)], name, { lastModified: 1 });

async function sending(name?: string) {
    const { result } = renderHook(() => uploads.useSendings());
    uploads.sendFiles([file(name)]);
    await waitFor(() => expect(clients.at(-1)?.running).toBe(true));
    return { list: result, client: clients.at(-1) as Fake };
}

describe('a file that is sent', () => {
    test('goes on by itself after a lost line, and says that it waits', async () => {
        const { list, client: sender } = await sending();
        sender.sends(400);
        expect(sender.fails(0)).toBe(true);
        await waitFor(() =>
            expect(list.current[0]).toMatchObject({ sent: 400, state: 'waiting for the line', speed: null }),
        );
        window.dispatchEvent(new Event('online'));
        await waitFor(() => expect(list.current[0]?.state).toBe('sending'));
    });

    test.each([
        [409, true],
        [423, true],
        [460, true],
        [503, true],
        [413, false],
        [404, false],
    ])('is tried again after status %i: %s', async (status, again) => {
        const { client: sender } = await sending();
        expect(sender.fails(status)).toBe(again);
    });

    test('is read when it is whole, and its cut is told of', async () => {
        const cut = { id: 3, name: 'Bowl' } as Cut;
        vi.spyOn(client.api, 'upload').mockResolvedValue({ upload: { sha256: 'abc', file: '/in/bowl.mov' } } as never);
        vi.spyOn(client.api, 'bringIn').mockResolvedValue({ cut });
        const arrived = vi.fn();
        uploads.onArrival(arrived);
        const { list, client: sender } = await sending();
        sender.options.onSuccess?.();
        await waitFor(() => expect(list.current[0]).toMatchObject({ state: 'done', sha256: 'abc', cut }));
        expect(arrived).toHaveBeenCalledWith(cut);
    });

    test('says why where it is no video', async () => {
        vi.spyOn(client.api, 'upload').mockResolvedValue({ upload: { sha256: 'abc', file: '/in/x' } } as never);
        vi.spyOn(client.api, 'bringIn').mockRejectedValue(
            new client.ApiError(422, 'not-media', 'This is not a video file.'),
        );
        const { list, client: sender } = await sending('kiln-diary.project');
        sender.options.onSuccess?.();
        await waitFor(() =>
            expect(list.current[0]).toMatchObject({ state: 'failed', problem: 'This is not a video file.' }),
        );
    });

    test('is sent once, however often it is dropped; again once it failed', async () => {
        const { list, client: sender } = await sending();
        uploads.sendFiles([file()]);
        expect([list.current.length, clients.length]).toEqual([1, 1]);
        (sender.options.onError as (error: Error) => void)(new Error('The drive is full.'));
        await waitFor(() => expect(list.current[0]).toMatchObject({ state: 'failed', problem: 'The drive is full.' }));
        uploads.sendFiles([file()]);
        await waitFor(() => expect(clients).toHaveLength(2));
        expect(list.current).toHaveLength(1);
    });

    test('pauses, goes on, and is gone when it is ended', async () => {
        const { list, client: sender } = await sending();
        uploads.pause(list.current[0]?.key ?? '');
        await waitFor(() => expect([list.current[0]?.state, sender.running]).toEqual(['paused', false]));
        uploads.resume(list.current[0]?.key ?? '');
        await waitFor(() => expect([list.current[0]?.state, sender.running]).toEqual(['sending', true]));
        await uploads.cancel(list.current[0]?.key ?? '');
        await waitFor(() => expect(list.current).toEqual([]));
    });

    test('keeps the page from being left unasked', async () => {
        await sending();
        const leave = new Event('beforeunload', { cancelable: true });
        window.dispatchEvent(leave);
        expect(leave.defaultPrevented).toBe(true);
    });
});
