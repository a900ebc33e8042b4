import type { DeliveryFilter } from './deliveryFilter';
import type { ShelfView } from './shelfView';
import { untilSignedIn } from './signIn';
import type {
    Activity,
    CaptionsAnswer,
    CaptionsRequest,
    Choices,
    Comparison,
    ComparisonView,
    Curves,
    CutAnalysis,
    CutAnswer,
    CutList,
    CutRuns,
    DefaultAnswer,
    DeliveryChoices,
    DeliveryList,
    DetailsRequest,
    DispatchAnswer,
    DispatchCheckAnswer,
    DispatchList,
    DispatchRequest,
    ErrorAnswer,
    FaultMap,
    HashListAnswer,
    HostAccountAnswer,
    HostList,
    HostRequest,
    HostSignInRequest,
    ImportAnswer,
    LibraryItem,
    Machine,
    MediaList,
    Pack,
    PackAnswer,
    PackedRun,
    PackRequest,
    PacksAnswer,
    PiecesAnswer,
    PiecesRequest,
    PlaceList,
    PlanList,
    PlanRequest,
    PresetList,
    PresetRequest,
    Queue,
    ReadingInWords,
    ReleaseRequest,
    Retention,
    RetentionPreview,
    RowHelp,
    RunAnswer,
    RunLog,
    RunsClearAnswer,
    SavingPreview,
    Settings,
    SettingsRequest,
    Sheet,
    SheetRequest,
    SignInAnswer,
    Store,
    StoreDerived,
    Strip,
    TableAnswer,
    TeachingAnswer,
    TeachingList,
    ThumbnailRequest,
    Transit,
    TransitLatestAnswer,
    TransitRequest,
    TransitTestAnswer,
    UploadAnswer,
    UploadList,
    WatchFolderRequest,
    WatchFolders,
    WorkerList,
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

/**
 * A file goes as it is, everything else as JSON. What changes something goes on when the page is left meanwhile: whoever presses Pack and
 * closes the window has packed.
 */
async function call<T>(method: string, path: string, body?: unknown): Promise<T> {
    let response: Response;
    const isFile = body instanceof Blob;
    const text = body === undefined || isFile ? undefined : JSON.stringify(body);
    const bytes = text === undefined ? 0 : new TextEncoder().encode(text).length;
    const keepalive = method !== 'GET' && !isFile && late + bytes < MOST_LATE;
    late += keepalive ? bytes : 0;
    try {
        response = await fetch(`/api/${path}`, {
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
        return call(method, path, body);
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

export type Kind = 'preset' | 'host';

/** What is done with an item of a file that is there already in other words. */
export type Way = 'both' | 'replace' | 'skip';

/** Where items are fetched as a file. */
export const exportOf = (kind: Kind, slugs: string[]) => `/api/library/export?${kind}s=${slugs.join(',')}`;

export const api = {
    signIn: (name: string, password: string) => call<SignInAnswer>('POST', 'sign-in', { name, password }),
    signOut: () => call<void>('POST', 'sign-out'),
    machine: () => call<Machine>('GET', 'machine'),
    setLineSpeed: (lineSpeed: number) => call<Machine>('PUT', 'machine', { lineSpeed }),
    activity: (search: string, before?: number) =>
        call<Activity>(
            'GET',
            `activity?search=${encodeURIComponent(search)}${before === undefined ? '' : `&before=${before}`}`,
        ),
    deliveries: (filter: DeliveryFilter, before?: number) => {
        const query = new URLSearchParams({ ...filter, ...(before !== undefined && { before: String(before) }) });
        return call<DeliveryList>('GET', `deliveries?${query}`);
    },
    deliveryChoices: () => call<DeliveryChoices>('GET', 'deliveries/choices'),
    settings: () => call<Settings>('GET', 'settings'),
    saveSettings: (change: SettingsRequest) => call<Settings>('PUT', 'settings', change),
    workers: () => call<WorkerList>('GET', 'workers'),
    media: (search = '') =>
        call<MediaList>('GET', search === '' ? 'media' : `media?search=${encodeURIComponent(search)}`),
    cuts: (view: ShelfView, cursor?: string) =>
        call<CutList>('GET', `cuts?${new URLSearchParams({ ...view, ...(cursor === undefined ? {} : { cursor }) })}`),
    bringIn: (path: string) => call<CutAnswer>('POST', 'cuts', { path }),
    places: (cut: number) => call<PlaceList>('GET', `cuts/${cut}/places`),
    locate: (cut: number, path: string) => call<CutAnswer>('POST', `cuts/${cut}/locate`, { path }),
    readAgain: (cut: number) => call<CutAnswer>('POST', `cuts/${cut}/read-again`),
    reading: (cut: number) => call<ReadingInWords>('GET', `cuts/${cut}/reading`),
    analysis: (cut: number) => call<CutAnalysis>('GET', `cuts/${cut}/analysis`),
    analyse: (cut: number) => call<CutAnalysis>('POST', `cuts/${cut}/analysis`),
    curves: (cut: number, first: number, last: number, columns: number) =>
        call<Curves>('GET', `cuts/${cut}/curves?first=${first}&last=${last}&columns=${columns}`),
    uploads: () => call<UploadList>('GET', 'uploads'),
    upload: (id: string) => call<UploadAnswer>('GET', `uploads/${id}`),
    putBack: (cut: number) => call<CutAnswer>('POST', `cuts/${cut}/take-back`),
    takeOff: (cut: number) => call<void>('DELETE', `cuts/${cut}`),
    /** Requests samples for the estimates of a sheet that is open. */
    wantSheet: (cut: number) => call<Sheet>('POST', `cuts/${cut}/sheet/wanted`),
    sheet: (cut: number) => call<Sheet>('GET', `cuts/${cut}/sheet`),
    saveSheet: (cut: number, sheet: SheetRequest) => call<Sheet>('PUT', `cuts/${cut}/sheet`, sheet),
    saveAndPack: (cut: number, sheet: SheetRequest, again: boolean) =>
        call<Sheet>('PUT', `cuts/${cut}/sheet?pack=1${again ? '&again=1' : ''}`, sheet),
    /** `again`: also what lies there unchanged. */
    pack: (cut: number, again = false) => call<PackAnswer>('POST', `cuts/${cut}/pack${again ? '?again=1' : ''}`),
    packColumn: (cut: number, key: string) =>
        call<PackAnswer>('POST', `cuts/${cut}/pack?again=1&only=${encodeURIComponent(key)}`),
    runsOf: (cut: number) => call<CutRuns>('GET', `cuts/${cut}/runs`),
    recall: (run: number) => call<RunAnswer>('POST', `runs/${run}/recall`),
    packThese: (cut: number, request: PackRequest, again = false) =>
        call<PackAnswer>('POST', `cuts/${cut}/pack${again ? '?again=1' : ''}`, request),
    plan: (request: PlanRequest) => call<PlanList>('POST', 'plan', request),
    packSheets: (cuts: number[]) => call<PacksAnswer>('POST', 'packs', { cuts }),
    dispatches: () => call<DispatchList>('GET', 'dispatches'),
    dispatch: (request: DispatchRequest) => call<DispatchAnswer>('POST', 'dispatches', request),
    checkBeforeSending: (request: DispatchRequest) => call<DispatchCheckAnswer>('POST', 'dispatches/check', request),
    describe: (id: number, details: DetailsRequest['details']) =>
        call<DispatchAnswer>('PUT', `dispatches/${id}/details`, { details }),
    keepTemplate: (id: number, name: string) => call<DispatchAnswer>('POST', `dispatches/${id}/templates`, { name }),
    fill: (id: number, template: number) => call<DispatchAnswer>('POST', `dispatches/${id}/fill/${template}`),
    caption: (id: number, request: CaptionsRequest) =>
        call<CaptionsAnswer>('PUT', `dispatches/${id}/captions`, request),
    thumbnail: (id: number, request: ThumbnailRequest) =>
        call<DispatchAnswer>('PUT', `dispatches/${id}/thumbnail`, request),
    release: (id: number, request: ReleaseRequest) => call<DispatchAnswer>('PUT', `dispatches/${id}/release`, request),
    changeDispatch: (id: number, how: 'stop' | 'pause' | 'continue' | 'look' | 'bring-back') =>
        call<DispatchAnswer>('POST', `dispatches/${id}/${how}`),
    removeDispatch: (id: number) => call<DispatchAnswer>('DELETE', `dispatches/${id}`),
    withoutCaption: (id: number, language: string) =>
        call<DispatchAnswer>('DELETE', `dispatches/${id}/captions/${encodeURIComponent(language)}`),
    bringPicture: (id: number, picture: File) => call<DispatchAnswer>('PUT', `dispatches/${id}/picture`, picture),
    moveDispatch: (id: number, before: number | null) =>
        call<DispatchAnswer>('PUT', `dispatches/${id}/place`, { before }),
    signOutOfHost: (account: number) => call<HostAccountAnswer>('DELETE', `host-accounts/${account}/token`),
    forgetHostAccount: (account: number) => call<HostAccountAnswer>('DELETE', `host-accounts/${account}`),
    signInToHost: (request: HostSignInRequest) => call<HostAccountAnswer>('POST', 'host-accounts', request),
    acceptTerms: (account: number) => call<HostAccountAnswer>('PUT', `host-accounts/${account}/terms`),
    store: (cursor?: string) =>
        call<Store>('GET', `store?${new URLSearchParams(cursor === undefined ? {} : { cursor })}`),
    previewRetention: (retention: Retention) => call<RetentionPreview>('POST', 'retention/preview', { retention }),
    storeDerived: () => call<StoreDerived>('GET', 'store/derived'),
    clearStored: (runs: number[]) => call<Store>('POST', 'store/clear', { runs }),
    takeStoredBack: () => call<Store>('POST', 'store/take-back'),
    emptyStore: () => call<Store>('POST', 'store/empty'),
    clearDerived: (what: string) => call<StoreDerived>('POST', `store/derived/${what}`),
    watchFolders: () => call<WatchFolders>('GET', 'watch-folders'),
    watchFolder: (request: WatchFolderRequest) => call<WatchFolders>('POST', 'watch-folders', request),
    unwatch: (folder: number) => call<WatchFolders>('DELETE', `watch-folders/${folder}`),
    pieces: (cut: number) => call<PiecesAnswer>('GET', `cuts/${cut}/pieces`),
    divide: (cut: number, how: PiecesRequest) => call<PiecesAnswer>('PUT', `cuts/${cut}/pieces`, how),
    writeHashList: (pack: string) => call<HashListAnswer>('POST', `packs/${pack}/hash-list`),
    hashList: (pack: string) => call<HashListAnswer>('GET', `packs/${pack}/hash-list`),
    slips: (pack: string) => call<Pack>('GET', `packs/${pack}`),
    queue: () => call<Queue>('GET', 'queue'),
    queueChanges: (since: string) => call<Queue>('GET', `queue/changes?since=${encodeURIComponent(since)}`),
    strip: () => call<Strip>('GET', 'strip'),
    sent: (run: number, took: string | null) => call<PackedRun>('PUT', `runs/${run}/sent`, { took }),
    stop: (run: number) => call<RunAnswer>('POST', `runs/${run}/stop`),
    pause: (run: number) => call<RunAnswer>('POST', `runs/${run}/pause`),
    goOn: (run: number) => call<RunAnswer>('POST', `runs/${run}/continue`),
    retry: (run: number) => call<RunAnswer>('POST', `runs/${run}/retry`),
    again: (run: number) => call<RunAnswer>('POST', `runs/${run}/again`),
    moveRun: (run: number, before: number | null) => call<RunAnswer>('PUT', `runs/${run}/place`, { before }),
    clearRuns: (runs: number[], cleared: boolean) => call<RunsClearAnswer>('POST', 'runs/clear', { runs, cleared }),
    log: (run: number) => call<RunLog>('GET', `runs/${run}/log`),
    presets: () => call<PresetList>('GET', 'presets'),
    item: (kind: Kind, slug: string) => call<LibraryItem>('GET', `library/${kind}/${slug}`),
    compareVersions: (kind: Kind, slug: string, from: number, to: number) =>
        call<Comparison>('GET', `library/${kind}/${slug}/compare/${from}/${to}`),
    goBack: (kind: Kind, slug: string, version: number) =>
        call<LibraryItem>('POST', `library/${kind}/${slug}/versions/${version}`),
    takeAway: (kind: Kind, slug: string) => call<void>('DELETE', `library/${kind}/${slug}`),
    takeBack: (kind: Kind, slug: string) => call<LibraryItem>('POST', `library/${kind}/${slug}/restore`),
    favourite: (kind: Kind, slug: string, favourite: boolean) =>
        call<void>('PUT', `library/${kind}/${slug}/favourite`, { favourite }),
    setDefault: (about: string, preset: string | null) =>
        call<DefaultAnswer>('PUT', 'library/defaults', { for: about, preset }),
    help: (cut: number, cell: string) => call<RowHelp>('GET', `cuts/${cut}/help/${cell}`),
    columnAsPreset: (cut: number, output: string) =>
        call<SavingPreview>('GET', `cuts/${cut}/outputs/${encodeURIComponent(output)}/preset`),
    createPreset: (body: PresetRequest) => call<LibraryItem>('POST', 'library/preset', body),
    savePreset: (slug: string, body: PresetRequest) => call<LibraryItem>('PUT', `library/preset/${slug}`, body),
    createHost: (body: HostRequest) => call<LibraryItem>('POST', 'library/host', body),
    saveHost: (slug: string, body: HostRequest) => call<LibraryItem>('PUT', `library/host/${slug}`, body),
    readTable: (text: string) => call<TableAnswer>('POST', 'library/host/table', { text }),
    lookInto: (name: string, text: string) => call<ImportAnswer>('POST', 'library/import', { name, text }),
    bringInItems: (name: string, text: string, ways: Record<string, Way>) =>
        call<ImportAnswer>('POST', 'library/import', { name, text, ways }),
    hosts: () => call<HostList>('GET', 'hosts'),
    choices: () => call<Choices>('GET', 'choices'),
    latestTest: (cut: number, weights: Partial<Transit['weights']>) =>
        call<TransitLatestAnswer>(
            'GET',
            `cuts/${cut}/tests/latest?${new URLSearchParams(Object.entries(weights).map(([k, v]) => [k, String(v)]))}`,
        ),
    askTest: (cut: number, request: TransitRequest) => call<TransitTestAnswer>('POST', `cuts/${cut}/tests`, request),
    /** `place`: what is compared, such as `tests/7`, and how its files are named where they are no cut's. */
    compare: (place: string, files: string) => call<ComparisonView>('GET', `${place}/compare${files}`),
    faults: (place: string, files: string, source: string, frame: number) =>
        call<FaultMap>('GET', `${place}/faults/${source}/${frame}${files}`),
    teachings: (host: string) => call<TeachingList>('GET', `hosts/${host}/teachings`),
    teaching: (id: number) => call<TeachingAnswer>('GET', `teachings/${id}`),
    teach: (host: string, lessons: string[][]) => call<TeachingAnswer>('POST', `hosts/${host}/teachings`, { lessons }),
    stopTeaching: (id: number) => call<TeachingAnswer>('POST', `teachings/${id}/stop`),
    saveTaught: (id: number) => call<LibraryItem>('POST', `teachings/${id}/save`),
    stopTest: (id: number) => call<TransitTestAnswer>('POST', `tests/${id}/stop`),
};

export const packAddress = (pack: string) => `/api/packs/${pack}`;

export const packTextAddress = (pack: string) => `/api/packs/${pack}/text`;

export const fileAddress = (run: number) => `/api/runs/${run}/file`;
