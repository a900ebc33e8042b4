import type { DeliveryFilter } from './deliveryFilter';
import type { ShelfView } from './shelfView';

type Id = number | string | null | undefined;

/** Keys of the queries. Invalidating a shorter key invalidates every key that begins with it. */
export const keys = {
    activity: (words: string) => ['activity', words] as const,
    analysis: (cut: Id) => ['analysis', cut] as const,
    checkBeforeSending: (run: Id, account: Id, signedIn?: boolean) =>
        ['dispatch-check', run, account, signedIn] as const,
    choices: () => ['choices'] as const,
    compared: (place: string, files: string) => ['compare', place, files] as const,
    curves: (cut: Id, version: unknown, first: number, last: number, wanted: unknown) =>
        ['curves', cut, version, first, last, wanted] as const,
    cuts: (view?: ShelfView) => (view === undefined ? (['cuts'] as const) : (['cuts', view] as const)),
    deliveries: (filter?: DeliveryFilter) =>
        filter === undefined ? (['deliveries'] as const) : (['deliveries', 'list', filter] as const),
    deliveryChoices: () => ['deliveries', 'choices'] as const,
    dispatches: () => ['dispatches'] as const,
    faults: (place: string, files: string, source: Id, frame: number) =>
        ['faults', place, files, source, frame] as const,
    hashList: (pack: string) => ['hash-list', pack] as const,
    help: (cut: Id, cell: string) => ['help', cut, cell] as const,
    hosts: () => ['hosts'] as const,
    item: (kind: string, slug: Id) => ['item', kind, slug] as const,
    itemVersions: (kind: string, slug: string, from: Id, to: Id) => ['item', kind, slug, 'compare', from, to] as const,
    items: () => ['item'] as const,
    log: (run: number, state: string) => ['log', run, state] as const,
    machine: () => ['machine'] as const,
    media: (search?: string) => (search === undefined ? (['media'] as const) : (['media', search] as const)),
    newestDeliveries: (filter: DeliveryFilter) => ['deliveries', 'newest', filter] as const,
    pack: (pack: Id) => ['packs', pack] as const,
    packs: () => ['packs'] as const,
    pieces: (cut: Id) => ['pieces', cut] as const,
    places: (cut: Id) => ['places', cut] as const,
    presets: () => ['presets'] as const,
    queue: () => ['runs', 'queue'] as const,
    quickPack: (cut: Id, outputs: unknown) => ['quick', cut, outputs] as const,
    quickPacks: () => ['quick'] as const,
    reading: (cut: Id) => ['reading', cut] as const,
    retention: (asked: unknown) => ['retention', asked] as const,
    runs: () => ['runs'] as const,
    runsOf: (cut: Id) => ['runs', 'of', cut] as const,
    saving: (cut: Id, output: string) => ['saving', cut, output] as const,
    savings: () => ['saving'] as const,
    settings: () => ['settings'] as const,
    sheet: (cut: Id) => ['sheet', cut] as const,
    sheets: () => ['sheet'] as const,
    store: () => ['store'] as const,
    storeDerived: () => ['store', 'derived'] as const,
    storeFiles: () => ['store', 'files'] as const,
    strip: () => ['runs', 'strip'] as const,
    table: (text: string) => ['table', text] as const,
    teaching: (id: Id) => ['teaching', id] as const,
    teachings: (host?: string) => (host === undefined ? (['teachings'] as const) : (['teachings', host] as const)),
    tests: (cut: Id, weights?: unknown) =>
        weights === undefined ? (['tests', cut] as const) : (['tests', cut, weights] as const),
    tried: (cut: Id, slugs: unknown, version: number) => ['tried', cut, slugs, version] as const,
    triedOn: () => ['tried'] as const,
    uploads: () => ['uploads'] as const,
    watchFolders: () => ['watch-folders'] as const,
    workers: () => ['workers'] as const,
};
