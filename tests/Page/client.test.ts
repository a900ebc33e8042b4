// @vitest-environment node
import { describe, expect, test, vi } from 'vitest';
import { ApiError, api } from '../../resources/js/api/client';

const answers = (status: number, body: string) =>
    vi.stubGlobal('fetch', async () => new Response(status === 204 ? null : body, { status }));

describe('a call', () => {
    test.each([
        [
            'a refusal',
            422,
            JSON.stringify({ error: { id: 'file', message: 'There is no such file.' } }),
            'file',
            'There is no such file.',
        ],
        ['an answer that is no JSON', 200, '<html>', 'fault', 'The answer could not be read. Reload the page.'],
        ['a failure without words', 502, '', 'fault', 'The answer could not be read. Reload the page.'],
    ])('that gets %s says so', async (_, status, body, id, message) => {
        answers(status, body);
        const error = await api.machine().catch((problem) => problem);
        expect(error).toBeInstanceOf(ApiError);
        expect([error.id, error.message]).toEqual([id, message]);
    });

    test('that gets no answer at all says where to look', async () => {
        vi.stubGlobal('fetch', async () => {
            throw new TypeError('Failed to fetch');
        });
        await expect(api.machine()).rejects.toMatchObject({ status: 0, message: expect.stringContaining('bin/start') });
    });

    test('without content is no error', async () => {
        answers(204, '');
        await expect(api.takeOff(3)).resolves.toBeUndefined();
    });

    test('that changes something outlives the page as far as browsers let it', async () => {
        const seen: (boolean | undefined)[] = [];
        vi.stubGlobal('fetch', async (_: string, request: RequestInit) => {
            seen.push(request.keepalive);
            return new Response('{}');
        });
        const output = { key: 'a', preset: 'x', host: null, edits: {}, range: null };
        const sheet = (outputs: number) => ({ range: null, outputs: Array.from({ length: outputs }, () => output) });
        await api.queue();
        await api.pack(1);
        await api.saveSheet(1, sheet(1));
        await api.saveSheet(1, sheet(2_000));
        // Two that are under way share what browsers send on; what is through takes none of it.
        await Promise.all([api.saveSheet(1, sheet(600)), api.saveSheet(1, sheet(600)), api.stop(3)]);
        await api.saveSheet(1, sheet(600));
        expect(seen).toEqual([false, true, true, false, true, false, true, true]);
    });
});
