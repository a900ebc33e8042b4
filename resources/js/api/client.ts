import type {
    Choices,
    CutAnswer,
    CutList,
    ErrorAnswer,
    HostList,
    Machine,
    MediaList,
    Pack,
    PackAnswer,
    PresetList,
    RunAnswer,
    RunList,
    Sheet,
    SheetRequest,
} from './types';

/** An answer with a status of 400 or more, or none at all. The message is for the person. */
export class ApiError extends Error {
    constructor(
        readonly status: number,
        readonly id: string,
        message: string,
    ) {
        super(message);
    }
}

async function call<T>(method: string, path: string, body?: unknown): Promise<T> {
    let response: Response;
    try {
        response = await fetch(`/api/${path}`, {
            method,
            headers: {
                Accept: 'application/json',
                ...(body === undefined ? {} : { 'Content-Type': 'application/json' }),
            },
            body: body === undefined ? undefined : JSON.stringify(body),
        });
    } catch {
        throw new ApiError(0, 'unreachable', 'Outer Crate does not answer. Look whether bin/start still runs.');
    }
    if (response.status === 204) {
        return undefined as T;
    }
    const answer: unknown = await response.json().catch(() => null);
    if (!response.ok || answer === null) {
        const error = (answer as ErrorAnswer | null)?.error;
        throw new ApiError(
            response.status,
            error?.id ?? 'fault',
            error?.message ?? 'The answer could not be read. Reload the page.',
        );
    }
    return answer as T;
}

export const api = {
    machine: () => call<Machine>('GET', 'machine'),
    setLineSpeed: (lineSpeed: number) => call<Machine>('PUT', 'machine', { lineSpeed }),
    media: () => call<MediaList>('GET', 'media'),
    cuts: () => call<CutList>('GET', 'cuts'),
    bringIn: (path: string) => call<CutAnswer>('POST', 'cuts', { path }),
    takeOff: (cut: number) => call<void>('DELETE', `cuts/${cut}`),
    sheet: (cut: number) => call<Sheet>('GET', `cuts/${cut}/sheet`),
    saveSheet: (cut: number, sheet: SheetRequest) => call<Sheet>('PUT', `cuts/${cut}/sheet`, sheet),
    pack: (cut: number) => call<PackAnswer>('POST', `cuts/${cut}/pack`),
    slips: (pack: string) => call<Pack>('GET', `packs/${pack}`),
    runs: () => call<RunList>('GET', 'runs'),
    belt: () => call<RunList>('GET', 'runs?latest=8'),
    stop: (run: number) => call<RunAnswer>('POST', `runs/${run}/stop`),
    presets: () => call<PresetList>('GET', 'presets'),
    hosts: () => call<HostList>('GET', 'hosts'),
    choices: () => call<Choices>('GET', 'choices'),
};

export const fileAddress = (run: number) => `/api/runs/${run}/file`;
