import type { DeliveryFilter } from './deliveryFilter';
import type { ShelfView } from './shelfView';
import { untilSignedIn } from './signIn';
import type {
    CaptionsRequest,
    DetailsRequest,
    DispatchRequest,
    ErrorAnswer,
    HostRequest,
    HostSignInRequest,
    Operations,
    PackRequest,
    PiecesRequest,
    PlanRequest,
    PresetRequest,
    ReleaseRequest,
    Retention,
    SettingsRequest,
    SheetRequest,
    ThumbnailRequest,
    Transit,
    TransitRequest,
    WatchFolderRequest,
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

/** Browsers send on 64 KiB for a page that is gone, of all that is under way at once (Fetch Standard, HTTP-network-or-cache fetch). */
const MOST_LATE = 60_000;

/** Bytes that are under way so. */
let late = 0;

/** A list that the API refuses if it is empty. */
type Some<T> = [T, ...T[]];

type Value = string | number | boolean | undefined | readonly string[];

type Query = { readonly [name: string]: Value };

/** Names between braces: `cut` of `cuts/{cut}/sheet`. */
type Names<Path extends string> = Path extends `${string}{${infer Name}}${infer Rest}` ? Name | Names<Rest> : never;

/** What an operation of the API asks for: the names in its path, its query, its body. */
type Asked<O extends keyof Operations> = { [N in Names<O>]: string | number } & {
    query?: { [N in Operations[O]['query']]?: Value };
} & (undefined extends Operations[O]['request']
        ? { body?: Operations[O]['request'] }
        : { body: Operations[O]['request'] });

/** The part of an address from the “?” on. Undefined and false are left out. */
function behind(query: Query): string {
    const search = new URLSearchParams();
    for (const [name, value] of Object.entries(query)) {
        if (Array.isArray(value)) {
            for (const one of value) {
                search.append(`${name}[]`, one);
            }
        } else if (value !== undefined && value !== false) {
            search.append(name, value === true ? '1' : String(value));
        }
    }
    return search.size === 0 ? '' : `?${search}`;
}

/**
 * A file goes as it is, everything else as JSON. What changes something goes on when the page is left meanwhile: whoever presses Pack and
 * closes the window has packed.
 */
async function call<O extends keyof Operations>(
    operation: O,
    asked = {} as Asked<O>,
): Promise<Operations[O]['answer']> {
    const { body, query = {}, ...names }: { body?: unknown; query?: Query } & Record<string, unknown> = asked;
    const [method, pattern] = operation.split(' ') as [string, string];
    const path = pattern.replace(/\{(\w+)\}/g, (_, name) => encodeURIComponent(String(names[name])));
    let response: Response;
    const isFile = body instanceof Blob;
    const text = body === undefined || isFile ? undefined : JSON.stringify(body);
    const bytes = text === undefined ? 0 : new TextEncoder().encode(text).length;
    const keepalive = method !== 'GET' && !isFile && late + bytes < MOST_LATE;
    late += keepalive ? bytes : 0;
    try {
        response = await fetch(`/api/${path}${behind(query)}`, {
            method,
            headers: {
                Accept: 'application/json',
                ...(body === undefined
                    ? {}
                    : { 'Content-Type': isFile ? 'application/octet-stream' : 'application/json' }),
            },
            body: isFile ? body : text,
            keepalive,
        });
    } catch {
        throw new ApiError(0, 'unreachable', 'Outer Crate does not answer. Look whether bin/start still runs.');
    } finally {
        late -= keepalive ? bytes : 0;
    }
    if (response.status === 401 && path !== 'sign-in') {
        await untilSignedIn();
        return call(operation, asked);
    }
    if (response.status === 204) {
        return undefined as Operations[O]['answer'];
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
    return answer as Operations[O]['answer'];
}

export type Kind = 'preset' | 'host';

/** What is done with an item of a file that is there already in other words. */
export type Way = 'both' | 'replace' | 'skip';

/** Where items are fetched as a file. */
export const exportOf = (kind: Kind, slugs: string[]) => `/api/library/export?${kind}s=${slugs.join(',')}`;

export const api = {
    signIn: (name: string, password: string) => call('POST sign-in', { body: { name, password } }),
    signOut: () => call('POST sign-out'),
    machine: () => call('GET machine'),
    setLineSpeed: (lineSpeed: number) => call('PUT machine', { body: { lineSpeed } }),
    activity: (search: string, before?: number) => call('GET activity', { query: { search, before } }),
    deliveries: (filter: DeliveryFilter, before?: number) => call('GET deliveries', { query: { ...filter, before } }),
    deliveryChoices: () => call('GET deliveries/choices'),
    settings: () => call('GET settings'),
    saveSettings: (change: SettingsRequest) => call('PUT settings', { body: change }),
    workers: () => call('GET workers'),
    media: (search = '') => call('GET media', { query: { search: search || undefined } }),
    cuts: (view: ShelfView, cursor?: string) => call('GET cuts', { query: { ...view, cursor } }),
    bringIn: (path: string) => call('POST cuts', { body: { path } }),
    places: (cut: number) => call('GET cuts/{cut}/places', { cut }),
    locate: (cut: number, path: string) => call('POST cuts/{cut}/locate', { cut, body: { path } }),
    readAgain: (cut: number) => call('POST cuts/{cut}/read-again', { cut }),
    reading: (cut: number) => call('GET cuts/{cut}/reading', { cut }),
    analysis: (cut: number) => call('GET cuts/{cut}/analysis', { cut }),
    analyse: (cut: number) => call('POST cuts/{cut}/analysis', { cut }),
    curves: (cut: number, first: number, last: number, columns: number) =>
        call('GET cuts/{cut}/curves', { cut, query: { first, last, columns } }),
    uploads: () => call('GET uploads'),
    upload: (id: string) => call('GET uploads/{id}', { id }),
    putBack: (cut: number) => call('POST cuts/{cut}/take-back', { cut }),
    takeOff: (cut: number) => call('DELETE cuts/{cut}', { cut }),
    /** Requests samples for the estimates of a sheet that is open. */
    wantSheet: (cut: number) => call('POST cuts/{cut}/sheet/wanted', { cut }),
    sheet: (cut: number) => call('GET cuts/{cut}/sheet', { cut }),
    saveSheet: (cut: number, sheet: SheetRequest) => call('PUT cuts/{cut}/sheet', { cut, body: sheet }),
    saveAndPack: (cut: number, sheet: SheetRequest, again: boolean) =>
        call('PUT cuts/{cut}/sheet', { cut, query: { pack: true, again }, body: sheet }),
    /** `again`: also what lies there unchanged. */
    pack: (cut: number, again = false) => call('POST cuts/{cut}/pack', { cut, query: { again } }),
    packColumn: (cut: number, key: string) => call('POST cuts/{cut}/pack', { cut, query: { again: true, only: key } }),
    runsOf: (cut: number) => call('GET cuts/{cut}/runs', { cut }),
    recall: (run: number) => call('POST runs/{run}/recall', { run }),
    packThese: (cut: number, request: PackRequest, again = false) =>
        call('POST cuts/{cut}/pack', { cut, query: { again }, body: request }),
    plan: (request: PlanRequest) => call('POST plan', { body: request }),
    packSheets: (cuts: number[]) => call('POST packs', { body: { cuts: cuts as Some<number> } }),
    dispatches: () => call('GET dispatches'),
    dispatch: (request: DispatchRequest) => call('POST dispatches', { body: request }),
    checkBeforeSending: (request: DispatchRequest) => call('POST dispatches/check', { body: request }),
    describe: (id: number, details: DetailsRequest['details']) =>
        call('PUT dispatches/{dispatch}/details', { dispatch: id, body: { details } }),
    keepTemplate: (id: number, name: string) =>
        call('POST dispatches/{dispatch}/templates', { dispatch: id, body: { name } }),
    fill: (id: number, template: number) =>
        call('POST dispatches/{dispatch}/fill/{template}', { dispatch: id, template }),
    caption: (id: number, request: CaptionsRequest) =>
        call('PUT dispatches/{dispatch}/captions', { dispatch: id, body: request }),
    thumbnail: (id: number, request: ThumbnailRequest) =>
        call('PUT dispatches/{dispatch}/thumbnail', { dispatch: id, body: request }),
    release: (id: number, request: ReleaseRequest) =>
        call('PUT dispatches/{dispatch}/release', { dispatch: id, body: request }),
    changeDispatch: (id: number, how: 'stop' | 'pause' | 'continue' | 'look' | 'bring-back') =>
        call(`POST dispatches/{dispatch}/${how}`, { dispatch: id }),
    removeDispatch: (id: number) => call('DELETE dispatches/{dispatch}', { dispatch: id }),
    withoutCaption: (id: number, language: string) =>
        call('DELETE dispatches/{dispatch}/captions/{language}', { dispatch: id, language }),
    bringPicture: (id: number, picture: File) =>
        call('PUT dispatches/{dispatch}/picture', { dispatch: id, body: picture }),
    moveDispatch: (id: number, before: number | null) =>
        call('PUT dispatches/{dispatch}/place', { dispatch: id, body: { before } }),
    signOutOfHost: (account: number) => call('DELETE host-accounts/{account}/token', { account }),
    forgetHostAccount: (account: number) => call('DELETE host-accounts/{account}', { account }),
    signInToHost: (request: HostSignInRequest) => call('POST host-accounts', { body: request }),
    acceptTerms: (account: number) => call('PUT host-accounts/{account}/terms', { account }),
    store: (cursor?: string) => call('GET store', { query: { cursor } }),
    previewRetention: (retention: Retention) => call('POST retention/preview', { body: { retention } }),
    storeDerived: () => call('GET store/derived'),
    clearStored: (runs: number[]) => call('POST store/clear', { body: { runs: runs as Some<number> } }),
    takeStoredBack: () => call('POST store/take-back'),
    emptyStore: () => call('POST store/empty'),
    clearDerived: (what: string) => call('POST store/derived/{what}', { what }),
    watchFolders: () => call('GET watch-folders'),
    watchFolder: (request: WatchFolderRequest) => call('POST watch-folders', { body: request }),
    unwatch: (folder: number) => call('DELETE watch-folders/{folder}', { folder }),
    pieces: (cut: number) => call('GET cuts/{cut}/pieces', { cut }),
    divide: (cut: number, how: PiecesRequest) => call('PUT cuts/{cut}/pieces', { cut, body: how }),
    writeHashList: (pack: string) => call('POST packs/{pack}/hash-list', { pack }),
    hashList: (pack: string) => call('GET packs/{pack}/hash-list', { pack }),
    slips: (pack: string) => call('GET packs/{pack}', { pack }),
    queue: () => call('GET queue'),
    queueChanges: (since: string) => call('GET queue/changes', { query: { since } }),
    strip: () => call('GET strip'),
    sent: (run: number, took: string | null) => call('PUT runs/{run}/sent', { run, body: { took } }),
    stop: (run: number) => call('POST runs/{run}/stop', { run }),
    pause: (run: number) => call('POST runs/{run}/pause', { run }),
    goOn: (run: number) => call('POST runs/{run}/continue', { run }),
    retry: (run: number) => call('POST runs/{run}/retry', { run }),
    again: (run: number) => call('POST runs/{run}/again', { run }),
    moveRun: (run: number, before: number | null) => call('PUT runs/{run}/place', { run, body: { before } }),
    clearRuns: (runs: number[], cleared: boolean) =>
        call('POST runs/clear', { body: { runs: runs as Some<number>, cleared } }),
    log: (run: number) => call('GET runs/{run}/log', { run }),
    presets: () => call('GET presets'),
    item: (kind: Kind, slug: string) => call('GET library/{kind}/{slug}', { kind, slug }),
    compareVersions: (kind: Kind, slug: string, from: number, to: number) =>
        call('GET library/{kind}/{slug}/compare/{from}/{to}', { kind, slug, from, to }),
    goBack: (kind: Kind, slug: string, version: number) =>
        call('POST library/{kind}/{slug}/versions/{version}', { kind, slug, version }),
    takeAway: (kind: Kind, slug: string) => call('DELETE library/{kind}/{slug}', { kind, slug }),
    takeBack: (kind: Kind, slug: string) => call('POST library/{kind}/{slug}/restore', { kind, slug }),
    favourite: (kind: Kind, slug: string, favourite: boolean) =>
        call('PUT library/{kind}/{slug}/favourite', { kind, slug, body: { favourite } }),
    setDefault: (about: string, preset: string | null) =>
        call('PUT library/defaults', { body: { for: about, preset } }),
    help: (cut: number, cell: string) => call('GET cuts/{cut}/help/{cell}', { cut, cell }),
    columnAsPreset: (cut: number, output: string) => call('GET cuts/{cut}/outputs/{output}/preset', { cut, output }),
    createPreset: (body: PresetRequest) => call('POST library/preset', { body }),
    savePreset: (slug: string, body: PresetRequest) => call('PUT library/preset/{preset}', { preset: slug, body }),
    createHost: (body: HostRequest) => call('POST library/host', { body }),
    saveHost: (slug: string, body: HostRequest) => call('PUT library/host/{host}', { host: slug, body }),
    readTable: (text: string) => call('POST library/host/table', { body: { text } }),
    lookInto: (name: string, text: string) => call('POST library/import', { body: { name, text } }),
    bringInItems: (name: string, text: string, ways: Record<string, Way>) =>
        call('POST library/import', { body: { name, text, ways } }),
    hosts: () => call('GET hosts'),
    choices: () => call('GET choices'),
    latestTest: (cut: number, weights: Partial<Transit['weights']>) =>
        call('GET cuts/{cut}/tests/latest', { cut, query: weights }),
    askTest: (cut: number, request: TransitRequest) => call('POST cuts/{cut}/tests', { cut, body: request }),
    /** `place`: what is compared, such as `tests/7`, and how its files are named where they are no cut's. */
    compare: (place: string, files: string) => {
        const [of, id = ''] = place.split('/');
        return of === 'tests'
            ? call('GET tests/{test}/compare', { test: id })
            : of === 'runs'
              ? call('GET runs/{run}/compare', { run: id })
              : call('GET files/compare', { query: { file: new URLSearchParams(files).getAll('file[]') } });
    },
    faults: (place: string, files: string, source: string, frame: number) => {
        const [of, id = ''] = place.split('/');
        const query = { file: new URLSearchParams(files).getAll('file[]') };
        return of === 'tests'
            ? call('GET tests/{test}/faults/{source}/{frame}', { test: id, source, frame })
            : of === 'runs'
              ? call('GET runs/{run}/faults/{source}/{frame}', { run: id, source, frame })
              : call('GET files/faults/{source}/{frame}', { source, frame, query });
    },
    teachings: (host: string) => call('GET hosts/{host}/teachings', { host }),
    teaching: (id: number) => call('GET teachings/{teaching}', { teaching: id }),
    teach: (host: string, lessons: string[][]) =>
        call('POST hosts/{host}/teachings', { host, body: { lessons: lessons as Some<Some<string>> } }),
    stopTeaching: (id: number) => call('POST teachings/{teaching}/stop', { teaching: id }),
    saveTaught: (id: number) => call('POST teachings/{teaching}/save', { teaching: id }),
    stopTest: (id: number) => call('POST tests/{test}/stop', { test: id }),
};

export const packAddress = (pack: string) => `/api/packs/${pack}`;

export const packTextAddress = (pack: string) => `/api/packs/${pack}/text`;

export const fileAddress = (run: number) => `/api/runs/${run}/file`;
