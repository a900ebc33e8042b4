/* Generated from resources/schema by generate-types.mjs. Do not edit. */

export type Names = {
    slug: string;
    name: string;
}[];

export interface Contract {
    activity: Activity;
    analysis: Analysis;
    'captions-answer': CaptionsAnswer;
    'captions-request': CaptionsRequest;
    choices: Choices;
    'comparison-view': ComparisonView;
    comparison: Comparison;
    curves: Curves;
    'cut-analysis': CutAnalysis;
    'cut-answer': CutAnswer;
    'cut-list': CutList;
    'cut-request': CutRequest;
    'cut-runs': CutRuns;
    cut: Cut;
    'default-answer': DefaultAnswer;
    'default-request': DefaultRequest;
    'delivery-choices': DeliveryChoices;
    'delivery-list': DeliveryList;
    delivery: Delivery;
    'details-request': DetailsRequest;
    device: DeviceFile;
    'dispatch-answer': DispatchAnswer;
    'dispatch-check-answer': DispatchCheckAnswer;
    'dispatch-list': DispatchList;
    'dispatch-request': DispatchRequest;
    dispatch: Dispatch;
    'drop-details': DropDetails;
    edits: Edits;
    error: ErrorAnswer;
    'fault-map': FaultMap;
    'favourite-request': FavouriteRequest;
    finding: Finding;
    'hash-list-answer': HashListAnswer;
    'host-account-answer': HostAccountAnswer;
    'host-account': HostAccount;
    'host-list': HostList;
    'host-request': HostRequest;
    'host-sign-in-request': HostSignInRequest;
    host: HostFile;
    'import-answer': ImportAnswer;
    'import-request': ImportRequest;
    lesson: Lesson;
    'library-item': LibraryItem;
    library: LibraryFile;
    'machine-request': MachineRequest;
    machine: Machine;
    'media-file': MediaFile;
    'media-list': MediaList;
    'pack-answer': PackAnswer;
    'pack-command': PackCommand;
    'pack-request': PackRequest;
    pack: Pack;
    'packed-run': PackedRun;
    'packs-answer': PacksAnswer;
    'packs-request': PacksRequest;
    'pieces-answer': PiecesAnswer;
    'pieces-request': PiecesRequest;
    'place-list': PlaceList;
    'plan-document': PlanDocument;
    'plan-list': PlanList;
    'plan-request': PlanRequest;
    plan: Plan;
    'preset-card': PresetCard;
    'preset-list': PresetList;
    'preset-request': PresetRequest;
    preset: PresetFile;
    'queue-done': QueueDone;
    'queue-summary': QueueSummary;
    queue: Queue;
    range: Range;
    'reading-in-words': ReadingInWords;
    reading: Reading;
    'release-request': ReleaseRequest;
    remark: Remark;
    'retention-preview': RetentionPreview;
    'retention-request': RetentionRequest;
    retention: Retention;
    'row-help': RowHelp;
    rules: Rules;
    'run-answer': RunAnswer;
    'run-log': RunLog;
    'run-move-request': RunMoveRequest;
    run: Run;
    'runs-clear-answer': RunsClearAnswer;
    'runs-clear-request': RunsClearRequest;
    'saving-preview': SavingPreview;
    'sent-request': SentRequest;
    'settings-request': SettingsRequest;
    settings: Settings;
    'sheet-request': SheetRequest;
    sheet: Sheet;
    'sign-in-answer': SignInAnswer;
    'sign-in-request': SignInRequest;
    slip: Slip;
    span: Span;
    'store-clear-request': StoreClearRequest;
    'store-derived': StoreDerived;
    store: Store;
    'strip-activity': StripActivity;
    strip: Strip;
    'table-answer': TableAnswer;
    'table-request': TableRequest;
    taught: Taught;
    'teaching-answer': TeachingAnswer;
    'teaching-list': TeachingList;
    'teaching-request': TeachingRequest;
    teaching: Teaching;
    'template-request': TemplateRequest;
    'thumbnail-request': ThumbnailRequest;
    'transit-latest-answer': TransitLatestAnswer;
    'transit-request': TransitRequest;
    'transit-test-answer': TransitTestAnswer;
    'transit-test-list': TransitTestList;
    'transit-test': TransitTest;
    transit: Transit;
    'upload-answer': UploadAnswer;
    'upload-list': UploadList;
    upload: Upload;
    values: Values;
    'watch-folder-request': WatchFolderRequest;
    'watch-folders': WatchFolders;
    words: Words2;
    'worker-list': WorkerList;
}
/**
 * Answer of GET /api/activity: who did what and when, the latest first. Search with ?search=, ?from= and ?until= (days), page with ?before=ID.
 */
export interface Activity {
    entries: {
        id: number;
        /**
         * When it was done last (RFC 3339).
         */
        at: string;
        /**
         * A user, or “this machine” while no sign-in is required.
         */
        who: string;
        what: string;
        /**
         * The name of what it was done to; empty where there is none.
         */
        subject: string;
        /**
         * Network address of the visitor; null on the command line.
         */
        address: string | null;
        /**
         * How often in a row, within ten minutes of each other.
         */
        times: number;
    }[];
    /**
     * Whether there are older ones.
     */
    more: boolean;
}
/**
 * What was found in the picture and the sound of a cut.
 */
export interface Analysis {
    /**
     * Of the detectors.
     */
    version: number;
    /**
     * As the fields of the picture tell; null where they do not.
     */
    scan: 'progressive' | 'tff' | 'bff' | null;
    /**
     * As the file says.
     */
    statedScan: 'progressive' | 'tff' | 'bff' | null;
    scanSamples: {
        progressive: number;
        tff: number;
        bff: number;
        unknown: number;
    };
    /**
     * A rhythm of repeated frames: of every `period`, `distinct` show something new.
     */
    repeated: {
        period: number;
        distinct: number;
        fields: boolean;
        rate: string;
        label: string;
    } | null;
    /**
     * Pixels of the picture as it stands.
     */
    bars: {
        top: number;
        bottom: number;
        left: number;
        right: number;
    };
    black: Span[];
    still: Span[];
    silence: Span[];
    /**
     * Footage after a gap behind the end.
     */
    leftover: Span[];
    suggestedRange: {
        firstFrame: number;
        /**
         * Included.
         */
        lastFrame: number;
        first: string;
        last: string;
        length: string;
        reason: string;
    } | null;
    /**
     * EBU R 128; null without sound.
     */
    loudness: {
        /**
         * LUFS; null where all is silent.
         */
        integrated: number | null;
        /**
         * LU
         */
        range: number;
        /**
         * dBTP
         */
        truePeak: number | null;
        /**
         * LUFS, once a second.
         */
        shortTerm: number[];
    } | null;
    /**
     * EBU R 128; null without sound.
     */
    mix?: {
        /**
         * LUFS; null where all is silent.
         */
        integrated: number | null;
        /**
         * LU
         */
        range: number;
        /**
         * dBTP
         */
        truePeak: number | null;
        /**
         * LUFS, once a second.
         */
        shortTerm: number[];
    } | null;
    /**
     * Spatial information (ITU-T P.910) by the second.
     */
    detail: number[];
    /**
     * Temporal information (ITU-T P.910) by the second.
     */
    motion: number[];
    /**
     * 0 to 255 by the second.
     */
    brightness: number[];
    /**
     * Share of the frames that are dark.
     */
    darkness: number;
    /**
     * Share of the picture in gentle gradients, where bands would show.
     */
    gradient: number;
    /**
     * Standard deviation on a scale to 255.
     */
    grain: number;
    inWords: {
        name: string;
        text: string;
    }[];
    /**
     * Of a PQ picture, in cd/m².
     */
    light: {
        maxCll: number;
        maxFall: number;
    } | null;
}
/**
 * Frames in a row, with their timecodes and their length of time.
 */
export interface Span {
    firstFrame: number;
    /**
     * Included.
     */
    lastFrame: number;
    first: string;
    last: string;
    length: string;
}
/**
 * What was noticed of captions.
 */
export interface CaptionsAnswer {
    dispatch: Dispatch;
    remarks: Remark[];
}
/**
 * A file on its way to a host, held there, and released.
 */
export interface Dispatch {
    id: number;
    run: number | null;
    cut: number | null;
    cutName: string;
    file: string;
    account: HostAccount;
    stage: 'waiting' | 'sending' | 'needs-you' | 'held' | 'released' | 'failed' | 'stopped' | 'removed';
    stageWords: string;
    problem: string | null;
    paused: boolean;
    bytes: number;
    bytesLabel: string;
    sentLabel: string;
    percent: number;
    speedLabel: string | null;
    leftLabel: string | null;
    details: {
        title: string;
        description: string;
        tags: string[];
        category: string;
        language: string;
        licence: string;
        declarations: {
            [k: string]: boolean;
        };
    };
    captions: string[];
    visibility: 'private' | 'unlisted';
    release: 'ready' | 'at' | null;
    releaseAt: string | null;
    notBefore: string | null;
    video: null | {
        id: string;
        page: string | null;
        state: string;
        reason: string | null;
        tier: string | null;
        sha256: string | null;
        visibility: 'private' | 'unlisted' | 'public';
        publishAt: string | null;
        missing: string[];
        renditions: {
            lines: number;
            codec: string;
            state: string;
            bytes: number | null;
        }[];
        words: string;
        /**
         * What a file has to be to get the tier above the one that it got; null where there is none.
         */
        better: string | null;
    };
    /**
     * What stands in the way of a release at once, and of one that waits for sizes or a time.
     */
    missing: {
        now: Remark[];
        later: Remark[];
    };
    record: {
        at: string;
        text: string;
    }[];
    /**
     * When it was chosen, in seconds since 1970.
     */
    thumbnail: number | null;
    cutFrames: number | null;
    /**
     * The host has confirmed its checksum, and the file is still here.
     */
    mayClear: boolean;
    /**
     * Files that the host made of it, the smallest first, once they were fetched.
     */
    cameBack: string[];
    /**
     * The file of the cut.
     */
    source: string | null;
    teaching: number | null;
    /**
     * Whether a picture was brought along for its thumbnail.
     */
    picture: boolean;
    /**
     * Where it stands among those that wait to be sent; null where it does not wait.
     */
    place: number | null;
    /**
     * What its host made of it, as it was measured against the upload when it had come back.
     */
    measured: {
        lines: number;
        ssimDb: number;
        kbps: number;
    }[];
}
/**
 * An account at a host, and what its host takes.
 */
export interface HostAccount {
    id: number;
    host: string;
    hostName: string;
    name: string;
    signedIn: boolean;
    connection: 'open' | 'folder';
    takes: {
        seconds: number | null;
        bytes: number | null;
        title: number | null;
        description: number | null;
        tags: number | null;
        categories: string[];
        licences: string[];
        thumbnail: string | null;
        thumbnailBytes: number | null;
    };
}
/**
 * Something noticed of what is sent or released, and what to do about it.
 */
export interface Remark {
    about: string;
    severity: 'stop' | 'caution' | 'note';
    text: string;
    todo: string;
}
/**
 * Captions in one language, as SubRip or WebVTT.
 */
export interface CaptionsRequest {
    language: string;
    text: string;
}
/**
 * Answer of GET /api/choices: the rows of the sheet in their order, and what their editors offer.
 */
export interface Choices {
    cells: {
        name: string;
        label: string;
        /**
         * Rules to choose from.
         */
        choices: {
            label: string;
            about: string;
            /**
             * In the shape that rules.json has for the cell.
             */
            rule: string | {};
            /**
             * Heading that it stands under; empty for what stands first.
             */
            group: string;
        }[];
        /**
         * Named values of its rule that an editor shows beside the list.
         */
        parts: {
            key: string;
            label: string;
            kind: 'options' | 'number' | 'switch' | 'text';
            options: {
                label: string;
                value: string | number | boolean | null;
                about: string;
            }[];
            unit: string;
            least: number | null;
            most: number | null;
            step: number | null;
            about: string;
        }[];
        /**
         * Named values of the rule that stay when another choice is taken.
         */
        beside: string[];
    }[];
    /**
     * How each video codec can be told to spend bits.
     */
    codecs: {
        [k: string]: {
            name: string;
            modes: ('quality' | 'cbr' | 'vbr' | 'vbr2' | 'codec' | 'lossless')[];
            quality: {
                best: number;
                worst: number;
                usual: number;
            } | null;
        };
    };
}
/**
 * Answer of GET /api/tests/{test}/compare and GET /api/runs/{run}/compare: files of the same frames.
 */
export interface ComparisonView {
    name: string;
    /**
     * Null where it is of files that are no cut’s.
     */
    cut: number | null;
    frames: number;
    frameRate: string;
    width: number;
    height: number;
    /**
     * Both sides are shown through the same tone map.
     */
    hdr: boolean;
    /**
     * Frames of the cut, in the order in which they follow.
     */
    spans: {
        at: number;
        first: number;
        last: number;
        label: string;
    }[];
    sources: {
        id: string;
        label: string;
        detail: string;
        /**
         * False where the file is no longer kept.
         */
        here: boolean;
        /**
         * Likeness of each frame in dB.
         */
        curve: number[] | null;
        /**
         * Frames that keep least, the worst first; none where it was not measured.
         */
        worst: number[];
    }[];
}
/**
 * In what two versions of a preset or host differ.
 */
export interface Comparison {
    rows: {
        label: string;
        from: string;
        to: string;
    }[];
}
/**
 * Answer of GET /api/cuts/{cut}/curves.
 */
export interface Curves {
    first: number;
    last: number;
    /**
     * Highest sample, 0 to 1; empty without sound.
     */
    peak: number[];
    /**
     * 0 to 1
     */
    detail: number[];
}
/**
 * Answer of GET and POST /api/cuts/{cut}/analysis.
 */
export interface CutAnalysis {
    state: 'none' | 'waiting' | 'running' | 'done' | 'failed';
    percent: number;
    secondsLeftLabel: string | null;
    error: string | null;
    result: Analysis | null;
    proxy: string | null;
    strip: string | null;
    /**
     * In the strip, evenly spread over the cut.
     */
    pictures: number;
}
/**
 * Answer of POST /api/cuts.
 */
export interface CutAnswer {
    cut: Cut;
}
/**
 * A cut as the shelf shows it.
 */
export interface Cut {
    id: number;
    name: string;
    file: string;
    path: string;
    poster: string;
    width: number;
    height: number;
    displayWidth: number;
    displayHeight: number;
    frameRate: string;
    frameRateLabel: string;
    scan: 'progressive' | 'tff' | 'bff';
    hdr: boolean;
    frames: number;
    duration: string;
    durationLabel: string;
    bytes: number;
    bytesLabel: string;
    bitrate: number;
    /**
     * Timecode of the first frame; it is included.
     */
    first: string;
    /**
     * Timecode of the last frame; it is included.
     */
    last: string;
    /**
     * Whether the file is the one that was read; nobody knows where its drive does not answer.
     */
    fileState: 'here' | 'changed' | 'gone' | 'silent';
    timecode: {
        /**
         * Number of the first frame, counted from 00:00:00:00.
         */
        start: number;
        /**
         * Frames that the timecode counts in a second.
         */
        perSecond: number;
        dropFrame: boolean;
    };
    values: Words;
}
/**
 * What it has, by cell, in the words of the sheet.
 */
export interface Words {
    container: string;
    video: string;
    frameSize: string;
    frameRate: string;
    bitrate: string;
    keyframes: string;
    colour: string;
    audio: string;
    file: string;
}
/**
 * Answer of GET /api/cuts: a page of the shelf.
 */
export interface CutList {
    cuts: Cut[];
    /**
     * Number of cuts on the shelf.
     */
    total: number;
    /**
     * Number of cuts that match the search.
     */
    found: number;
    /**
     * For the next page; null on the last one.
     */
    cursor: string | null;
    /**
     * Cuts that were taken off the shelf, the last first.
     */
    takenOff: {
        id: number;
        name: string;
        file: string;
        at: string | null;
    }[];
}
/**
 * Body of POST /api/cuts.
 */
export interface CutRequest {
    path: string;
}
/**
 * Answer of GET /api/cuts/{cut}/runs: under way first, then the latest finished ones.
 */
export interface CutRuns {
    runs: Run[];
}
/**
 * The making of one output.
 */
export interface Run {
    id: number;
    pack: string;
    cut: number | null;
    cutName: string;
    name: string;
    role: string;
    preset: string;
    state: 'waiting' | 'running' | 'checking' | 'done' | 'failed' | 'stopped';
    frames: number;
    framesTotal: number;
    percent: number;
    speed: number | null;
    secondsLeft: number | null;
    secondsLeftLabel: string | null;
    expectedSeconds: number;
    error: string | null;
    file: string;
    path: string;
    onDisk: boolean;
    stopAsked: boolean;
    endedAt: string | null;
    bytesLabel: string | null;
    differences: number | null;
    /**
     * A folder of images in place of a file; it cannot be downloaded.
     */
    isFolder: boolean;
    /**
     * It is left alone where it waits, and stands still where it is being made.
     */
    paused: boolean;
    /**
     * The pass under way, such as `pass 1 of 2`; null where there is one, or none yet.
     */
    pass: string | null;
    /**
     * File size so far.
     */
    soFarLabel: string | null;
    /**
     * File size that it is likely to come to.
     */
    toComeLabel: string | null;
    startedAt: string | null;
    /**
     * In the queue: the lower is made first.
     */
    place: number;
    /**
     * Key of its column on the sheet.
     */
    output: string | null;
    /**
     * It was sent back to its sheet, and waits for what is made of it.
     */
    recalled: boolean;
    /**
     * It was taken off the page of the queue.
     */
    cleared: boolean;
}
/**
 * What sheets begin with.
 */
export interface DefaultAnswer {
    defaults: {
        [k: string]: string;
    };
}
/**
 * Body of PUT /api/library/defaults.
 */
export interface DefaultRequest {
    for: string;
    preset: string | null;
}
/**
 * Answer of GET /api/deliveries/choices: the presets and hosts that files were made with.
 */
export interface DeliveryChoices {
    isAnyMade: boolean;
    presets: Names;
    hosts: Names;
}
/**
 * Answer of GET /api/deliveries: the files that were made, the latest first, 50 at most. Search with ?search=, ?cut=, ?preset=, ?host= (empty for files that stay here), ?from= and ?until= (days); the next page with ?before=.
 */
export interface DeliveryList {
    deliveries: Delivery[];
    /**
     * For the next page; null on the last one.
     */
    before: number | null;
}
/**
 * A file that was made.
 */
export interface Delivery {
    id: number;
    run: number;
    /**
     * The slips of what was made together are under this.
     */
    pack: string;
    cut: number | null;
    cutName: string;
    /**
     * Its name, without folder.
     */
    file: string;
    role: 'master' | 'upload' | 'review' | 'device' | 'stills' | 'sound';
    preset: string;
    /**
     * As it was called then.
     */
    presetName: string;
    host: string | null;
    /**
     * As it was called then.
     */
    hostName: string | null;
    bytes: number;
    bytesLabel: string;
    /**
     * From the plan.
     */
    differences: number;
    /**
     * RFC 3339.
     */
    madeAt: string;
    /**
     * The file is still where it was put.
     */
    onDisk: boolean;
}
/**
 * Details that are to be another; those not named stay.
 */
export interface DetailsRequest {
    details: {
        title?: string;
        description?: string;
        /**
         * @maxItems 200
         */
        tags?: string[];
        category?: string;
        language?: string;
        licence?: string;
        declarations?: {
            madeForChildren?: boolean;
            paidPromotion?: boolean;
            alteredContent?: boolean;
            rights?: boolean;
        };
    };
}
/**
 * What a kind of player plays: hard limits that files for it keep.
 */
export interface DeviceFile {
    format: 'outer-crate/device';
    version: 1;
    name: string;
    about?: string;
    /**
     * @minItems 1
     */
    pictures: [
        {
            /**
             * Width×height.
             */
            size: string;
            /**
             * @minItems 1
             */
            rates: [string, ...string[]];
            /**
             * How the stream is coded; either where it is left out.
             */
            scan?: 'progressive' | 'fields';
        },
        ...{
            /**
             * Width×height.
             */
            size: string;
            /**
             * @minItems 1
             */
            rates: [string, ...string[]];
            /**
             * How the stream is coded; either where it is left out.
             */
            scan?: 'progressive' | 'fields';
        }[]
    ];
    /**
     * @minItems 1
     */
    codecs: [string, ...string[]];
    /**
     * The highest.
     */
    level?: string;
    /**
     * Of each picture, at least.
     */
    slices?: number;
    /**
     * The stream tells its buffer and when its pictures are shown.
     */
    statesBuffer?: boolean;
    peakKbps: number;
    bufferKbits: number;
    /**
     * From one keyframe to the next, at most.
     */
    keyframeSeconds: number;
    /**
     * @minItems 1
     */
    colours: [
        'bt709' | 'bt601-525' | 'bt601-625' | 'bt2020' | 'bt2020-pq' | 'bt2020-hlg',
        ...('bt709' | 'bt601-525' | 'bt601-625' | 'bt2020' | 'bt2020-pq' | 'bt2020-hlg')[]
    ];
}
/**
 * One dispatch, as it is now.
 */
export interface DispatchAnswer {
    dispatch: Dispatch;
}
/**
 * What was noticed before sending, the gravest first.
 */
export interface DispatchCheckAnswer {
    remarks: Remark[];
    file: string;
    /**
     * What it can take the place of.
     */
    inPlaceOf: null | {
        id: number;
        title: string;
    };
}
/**
 * What is sent, the latest first; accounts; hosts that this machine reaches.
 */
export interface DispatchList {
    dispatches: Dispatch[];
    accounts: HostAccount[];
    hosts: string[];
    questions: {
        name: string;
        question: string;
    }[];
    zone: string;
    templates: {
        id: number;
        host: string;
        name: string;
    }[];
}
/**
 * A made file, or one that is being made, to be sent.
 */
export interface DispatchRequest {
    run: number;
    account: number;
    details?: {
        title?: string;
        description?: string;
        /**
         * @maxItems 200
         */
        tags?: string[];
        category?: string;
        language?: string;
        licence?: string;
        declarations?: {
            madeForChildren?: boolean;
            paidPromotion?: boolean;
            alteredContent?: boolean;
            rights?: boolean;
        };
    };
    visibility?: 'private' | 'unlisted';
    /**
     * When sending begins, as clocks in `zone` show it: 2026-11-28T22:00. Left out, at once.
     */
    at?: string;
    zone?: string;
    /**
     * An earlier dispatch, which is removed from the host once this one is released.
     */
    inPlaceOf?: number;
}
/**
 * What lies beside a file in a drop folder: what is said of it, and who is to see it.
 */
export interface DropDetails {
    format: 'outer-crate/drop-details';
    version: 1;
    file: string;
    bytes: number;
    sha256: string;
    visibility: 'private' | 'unlisted' | 'public';
    publishAt: string | null;
    details: {
        title: string;
        description: string;
        tags: string[];
        category: string;
        language: string;
        licence: string;
        declarations: {
            [k: string]: boolean;
        };
    };
}
/**
 * What a person changed in an output: rules by cell; null takes the change of that cell back.
 */
export interface Edits {
    container?:
        | null
        | (
              | 'host'
              | {
                    as?: 'host';
                    set?: string;
                    fastStart?: boolean;
                }
          );
    video?:
        | null
        | (
              | ('host' | 'none')
              | {
                    as?: 'host' | 'none';
                    codec?: string;
                    profile?: string;
                    effort?: 'fast' | 'medium' | 'slow';
                    /**
                     * Fixed; null or absent for the lowest that holds.
                     */
                    level?: string | null;
                    tune?: 'grain' | 'animation' | 'stills' | null;
                    /**
                     * hardware: the graphics chip, where one works; software otherwise.
                     */
                    device?: 'software' | 'hardware';
                }
          );
    frameSize?: null | FrameSize;
    frameRate?:
        | null
        | (
              | 'follow'
              | {
                    as?: 'follow';
                    /**
                     * 25, 30000/1001, 29.97
                     */
                    exact?: string | null;
                    /**
                     * Lifted by whole multiples until it is reached.
                     */
                    atLeast?: string;
                    halve?: boolean;
                    /**
                     * How frames of one rate become those of another.
                     */
                    by?: 'repeat' | 'blend' | 'motion';
                    /**
                     * How fields become frames; by the material when absent.
                     */
                    fields?: 'keep' | 'interpolate' | 'blend' | null;
                    /**
                     * What the cut’s frames are, where its file says otherwise.
                     */
                    source?: 'progressive' | 'tff' | 'bff' | null;
                }
          );
    bitrate?: null | Bitrate;
    keyframes?:
        | null
        | (
              | ('host' | 'intra')
              | {
                    as?: 'host' | 'intra';
                    /**
                     * From 0.1 to 20.
                     */
                    seconds?: number | null;
                    /**
                     * In place of seconds. From 1 to 1000.
                     */
                    frames?: number | null;
                    closed?: boolean;
                    /**
                     * From 0 to 16.
                     */
                    bFrames?: number | null;
                    pyramid?: boolean;
                    /**
                     * From 1 to 16.
                     */
                    references?: number | null;
                    sceneCuts?: boolean;
                }
          );
    colour?:
        | null
        | (
              | ('follow' | 'host')
              | {
                    as?: 'follow' | 'host';
                    bitDepth?: 8 | 10 | 12 | 16 | null;
                    chroma?: '4:2:0' | '4:2:2' | '4:4:4' | null;
                    /**
                     * What the samples are taken for, without changing them; none leaves the file untagged.
                     */
                    tag?: 'bt709' | 'bt601-525' | 'bt601-625' | 'bt2020' | 'bt2020-pq' | 'bt2020-hlg' | 'none' | null;
                    /**
                     * Samples are computed anew for this space; HDR comes down to SDR.
                     */
                    convert?: 'bt709' | 'bt601-525' | 'bt601-625' | 'bt2020' | 'bt2020-pq' | 'bt2020-hlg' | null;
                    range?: 'limited' | 'full' | null;
                    /**
                     * Middle tones are lifted above 1, lowered below. From 0.5 to 2.
                     */
                    gamma?: number | null;
                    dither?: 'ordered' | 'error-diffusion' | 'none';
                    /**
                     * HDR10 metadata.
                     */
                    hdr10?: 'carry' | 'measure' | 'none';
                }
          );
    audio?:
        | null
        | (
              | ('follow' | 'host' | 'none')
              | {
                    as?: 'follow' | 'host' | 'none';
                    codec?: string;
                    /**
                     * From 8 to 640.
                     */
                    kbps?: number | null;
                    sampleRate?: number | null;
                    channels?: number | null;
                    bitDepth?: 16 | 24 | 32 | null;
                    loudness?: (number | null) | 'host';
                    /**
                     * From −10 to 0.
                     */
                    truePeak?: number | null;
                    /**
                     * By which a mix of channels is lowered. From 0 to 18.
                     */
                    headroom?: number | null;
                    tracks?: 'first' | 'all';
                }
          );
    file?: null | File;
}
export interface FrameSize {
    /**
     * stored: the cut’s own pixels. displayed: square pixels, upright.
     */
    follow?: 'stored' | 'displayed';
    /**
     * Inside these bounds, never enlarged.
     */
    fit?: string | null;
    /**
     * This frame, the picture fitted in.
     */
    exact?: string | null;
    /**
     * One of the usual sizes up (1) or down (−1).
     */
    step?: number;
    /**
     * With exact: what is done where the shapes differ; pad when absent.
     */
    shape?: 'pad' | 'crop' | 'stretch';
    /**
     * With exact: the shape that the frame is shown at, as discs have it; square pixels when absent.
     */
    display?: '4:3' | '16:9' | 'nearest';
    /**
     * What the file says of a 360 picture; as the cut when absent.
     */
    projection?: 'equirectangular' | 'none' | null;
    /**
     * trim: black bars that were found in the cut are left out; kept when absent.
     */
    bars?: 'trim' | null;
}
export interface Bitrate {
    mode?: 'quality' | 'cbr' | 'vbr' | 'codec' | 'lossless';
    passes?: 1 | 2;
    average?:
        | {
              /**
               * Kilobits per second. From 16 to 2000000.
               */
              kbps: number;
          }
        | {
              /**
               * The host’s ask times this.
               */
              timesAsk: number;
          }
        | {
              bitsPerPixel: number;
          }
        | {
              /**
               * Of the whole file, which is to stay under it.
               */
              bytes: number;
          }
        | {
              sendSeconds: number;
              /**
               * What the line sends.
               */
              lineKbps: number;
          };
    peak?:
        | 'host'
        | {
              /**
               * Kilobits per second. From 16 to 2000000.
               */
              kbps: number;
          }
        | {
              /**
               * The average times this.
               */
              timesAverage: number;
          };
    buffer?: {
        /**
         * At the peak. From 0.1 to 10.
         */
        seconds: number;
    };
    /**
     * On the codec’s own scale.
     */
    quality?: number;
}
export interface File {
    /**
     * {cut} {role} {host} {preset} {width} {height} {fps} {codec} {piece} {pieceName} {n}
     */
    template?: string | null;
    /**
     * Below the folder for deliveries.
     */
    folder?: string | null;
}
/**
 * Every answer with a status of 400 or more, and what the commands print with --json when they fail.
 */
export interface ErrorAnswer {
    error: {
        id: string;
        message: string;
        file?: string;
        faults?: {
            path: string;
            text: string;
        }[];
        /**
         * What became of what was there or half made.
         */
        kept?: string;
        /**
         * What to do about it.
         */
        todo?: string;
    };
}
/**
 * GET …/faults/{source}/{frame}: where in a frame a file lost detail of the first one, or has bands of its own.
 */
export interface FaultMap {
    columns: number;
    /**
     * Side of a cell, as a share of the picture’s width.
     */
    cell: number;
    rows: number;
    /**
     * Cell by cell, row by row: less than half of its finest detail is left.
     */
    lost: boolean[];
    /**
     * Cell by cell: steps are seen that the first file does not have.
     */
    banded: boolean[];
    /**
     * In short; empty where nothing is wrong that could be seen.
     */
    words: string;
}
/**
 * Body of PUT /api/library/{kind}/{slug}/favourite.
 */
export interface FavouriteRequest {
    favourite: boolean;
}
/**
 * Something the checks noticed.
 */
export interface Finding {
    id: string;
    severity: 'stop' | 'caution' | 'note';
    cell: string;
    text: string;
    remedy: null | {
        text: string;
        patch: Edits;
        /**
         * Slug of a preset that the output is to have in place of its own.
         */
        preset?: string;
        /**
         * What the host asks now is taken note of.
         */
        acceptHost?: boolean;
    };
}
/**
 * A hash list, or the progress of a worker that is writing it.
 */
export interface HashListAnswer {
    /**
     * Path of the list; null while it is being written.
     */
    path: string | null;
    state: 'waiting' | 'running' | 'checking' | 'done' | 'failed' | 'stopped';
    percent: number;
    /**
     * Why it failed, or what it is waiting for.
     */
    error: string | null;
}
/**
 * One account, as it is now.
 */
export interface HostAccountAnswer {
    account: HostAccount;
}
/**
 * Answer of GET /api/hosts.
 */
export interface HostList {
    hosts: {
        slug: string;
        name: string;
        about: string;
        version: number;
        shipped: boolean;
        favourite: boolean;
        /**
         * What it is found by.
         */
        words: string;
    }[];
    /**
     * Files that are not in their format, and are left out.
     */
    broken: {
        file: string;
        fault: string;
    }[];
    removed: {
        slug: string;
        name: string;
        removedAt: string;
    }[];
}
/**
 * Body of POST /api/library/host and PUT /api/library/host/{host}.
 */
export interface HostRequest {
    name?: string;
    note?: string;
    copyOf?: string;
    began?: number;
    file?: {};
}
/**
 * Who one is at a host. The password is kept nowhere.
 */
export interface HostSignInRequest {
    host: string;
    name: string;
    password: string;
}
/**
 * A host: what it asks of an upload, and what it does to it.
 */
export interface HostFile {
    $schema?: string;
    format: 'outer-crate/host';
    version: 1;
    /**
     * What it is known by, in sheets and commands; the file's own name when absent.
     */
    id?: string;
    /**
     * Counted up by whoever ships it; a library counts its own.
     */
    revision?: number;
    name: string;
    about?: string;
    /**
     * What it does to an upload: the first tier that takes it decides its renditions.
     */
    recompression?: {
        /**
         * @minItems 1
         */
        tiers: [
            {
                name: string;
                /**
                 * Any of these lets an upload in; absent for every upload.
                 *
                 * @minItems 1
                 */
                when?: [
                    {
                        /**
                         * Lines, at least.
                         */
                        shorterSide?: number;
                        frameRateAbove?: string;
                        hdr?: boolean;
                    },
                    ...{
                        /**
                         * Lines, at least.
                         */
                        shorterSide?: number;
                        frameRateAbove?: string;
                        hdr?: boolean;
                    }[]
                ];
                /**
                 * @minItems 1
                 */
                ladder: [
                    {
                        shorterSide: number;
                        codec: string;
                        /**
                         * Average; or quality.
                         */
                        kbps?: number;
                        /**
                         * On the codec's own scale; or kbps.
                         */
                        quality?: number;
                        keyframeSeconds?: number;
                        speed?: 'fast' | 'medium' | 'slow';
                        /**
                         * In a row at most; absent where it is not known.
                         */
                        bFrames?: number;
                    },
                    ...{
                        shorterSide: number;
                        codec: string;
                        /**
                         * Average; or quality.
                         */
                        kbps?: number;
                        /**
                         * On the codec's own scale; or kbps.
                         */
                        quality?: number;
                        keyframeSeconds?: number;
                        speed?: 'fast' | 'medium' | 'slow';
                        /**
                         * In a row at most; absent where it is not known.
                         */
                        bFrames?: number;
                    }[]
                ];
            },
            ...{
                name: string;
                /**
                 * Any of these lets an upload in; absent for every upload.
                 *
                 * @minItems 1
                 */
                when?: [
                    {
                        /**
                         * Lines, at least.
                         */
                        shorterSide?: number;
                        frameRateAbove?: string;
                        hdr?: boolean;
                    },
                    ...{
                        /**
                         * Lines, at least.
                         */
                        shorterSide?: number;
                        frameRateAbove?: string;
                        hdr?: boolean;
                    }[]
                ];
                /**
                 * @minItems 1
                 */
                ladder: [
                    {
                        shorterSide: number;
                        codec: string;
                        /**
                         * Average; or quality.
                         */
                        kbps?: number;
                        /**
                         * On the codec's own scale; or kbps.
                         */
                        quality?: number;
                        keyframeSeconds?: number;
                        speed?: 'fast' | 'medium' | 'slow';
                        /**
                         * In a row at most; absent where it is not known.
                         */
                        bFrames?: number;
                    },
                    ...{
                        shorterSide: number;
                        codec: string;
                        /**
                         * Average; or quality.
                         */
                        kbps?: number;
                        /**
                         * On the codec's own scale; or kbps.
                         */
                        quality?: number;
                        keyframeSeconds?: number;
                        speed?: 'fast' | 'medium' | 'slow';
                        /**
                         * In a row at most; absent where it is not known.
                         */
                        bFrames?: number;
                    }[]
                ];
            }[]
        ];
        audio?: {
            codec: string;
            kbps: number;
            sampleRate?: number;
            channels?: number;
            loudness?: number;
        };
        /**
         * Uploads that it was taught by, each with what came back of it: the evidence of the figures.
         *
         * @maxItems 100
         */
        taughtBy?: Lesson[];
    };
    asks: {
        containers?: string[];
        fastStart?: boolean;
        codecs?: {
            codec: string;
            profile?: string;
            aboveWidth?: number;
        }[];
        chroma?: '4:2:0' | '4:2:2' | '4:4:4';
        hdrTimes?: number;
        keyframes?: {
            seconds?: number;
            closed?: boolean;
            bFrames?: number;
            pyramid?: boolean;
        };
        minimumFrameRate?: string;
        frameRates?: string[];
        shape?: string;
        projection?: 'equirectangular';
        limits?: {
            seconds?: number;
            bytes?: number;
            frame?: string;
        };
        bitrates?: {
            /**
             * Shorter side of the frame, the name of the class.
             */
            shorterSide: number;
            /**
             * Average for usual frame rates, or the floor of a range.
             */
            kbps: number;
            /**
             * Ceiling of the range.
             */
            toKbps?: number;
            /**
             * Average for frame rates above highFrameRateAbove, or the floor; as usual rates when absent.
             */
            highKbps?: number;
            /**
             * Ceiling of the range.
             */
            highToKbps?: number;
            /**
             * The same for HDR; hdrTimes when absent.
             */
            hdrKbps?: number;
            /**
             * Ceiling of the range.
             */
            hdrToKbps?: number;
            /**
             * HDR at high frame rates.
             */
            hdrHighKbps?: number;
            /**
             * Ceiling of the range.
             */
            hdrHighToKbps?: number;
            /**
             * The most it takes at any time.
             */
            peakKbps?: number;
        }[];
        audio?: {
            codec: string;
            kbps: number;
            sampleRate?: number;
            channels?: number;
            loudness?: number;
        };
        highFrameRateAbove?: string;
    };
    notes?: string;
    /**
     * @maxItems 200
     */
    sources?: {
        /**
         * A field of asks, or recompression; all when absent.
         */
        of?: string;
        /**
         * A page, a letter, a measurement.
         */
        text: string;
        lookedUp?: string;
    }[];
}
/**
 * An upload and what a host made of it, as both were read, and how near the stand-in comes to that.
 */
export interface Lesson {
    upload: {
        name: string;
        frame: string;
        frameRate: string;
        hdr: boolean;
        codec: string;
        kbps: number;
        seconds: number;
    };
    lookedAt: string;
    sampled: {
        frames: number;
        of: number;
    };
    renditions: {
        name: string;
        frame: string;
        shorterSide: number;
        codec: string;
        kbps: number;
        /**
         * From one to the next at most; null where the file has only one.
         */
        keyframeSeconds: number | null;
        structure: string | null;
        /**
         * Of the upload, over the pieces that were looked at.
         */
        ssimDb: number;
        /**
         * What the simulation makes of the same upload with the taught figures; null where it cannot.
         */
        standIn: {
            kbps: number;
            ssimDb: number;
            /**
             * Its rate over the host's, less 1.
             */
            rateOff: number;
            /**
             * Its SSIM less that of the host's file, in dB.
             */
            ssimOff: number;
        } | null;
    }[];
}
/**
 * What is in a file, and what was taken of it.
 */
export interface ImportAnswer {
    items: {
        kind: 'preset' | 'host';
        name: string;
        state: 'new' | 'same' | 'conflict';
        there: null | {
            slug: string;
            name: string;
            shipped: boolean;
        };
        differences: {
            label: string;
            from: string;
            to: string;
        }[];
        unknown: string[];
    }[];
    taken:
        | null
        | {
              kind: string;
              slug: string;
              name: string;
              version: number;
          }[];
}
/**
 * Body of POST /api/library/import.
 */
export interface ImportRequest {
    /**
     * Of the file.
     */
    name: string;
    text: string;
    /**
     * What is done with those in conflict, by place in the list; absent only to look.
     */
    ways?: {
        [k: string]: 'both' | 'replace' | 'skip';
    };
}
/**
 * A preset or host with its versions.
 */
export interface LibraryItem {
    kind: 'preset' | 'host';
    slug: string;
    name: string;
    about: string;
    version: number;
    shipped: boolean;
    favourite: boolean;
    /**
     * As it is exported.
     */
    file: {};
    /**
     * Places in the file that this version does not know; they are kept, and do nothing.
     */
    unknown: string[];
    /**
     * What it says, in words.
     */
    rows: {
        label: string;
        text: string;
    }[];
    versions: {
        version: number;
        note: string;
        savedAt: string | null;
        name: string;
    }[];
    /**
     * Why nothing can be made of it.
     */
    fault: string | null;
    /**
     * Presets that are made for the host.
     */
    presets: {
        slug: string;
        name: string;
    }[];
    /**
     * Sheets that rely on it.
     */
    sheets: {
        cut: number;
        name: string;
        outputs: number;
    }[];
    card: null | PresetCard;
    /**
     * Of a host, what it asks and does in words; null where nothing can be made of it.
     */
    host: null | {
        highFrameRateAbove: string;
        bitrates: {
            shorterSide: number;
            normal: string;
            high: string;
            peak: string | null;
        }[];
        /**
         * What it does to an upload, in a sentence.
         */
        recompression: string | null;
    };
}
/**
 * A preset as lists show it.
 */
export interface PresetCard {
    slug: string;
    name: string;
    role: 'master' | 'upload' | 'review' | 'device' | 'stills' | 'sound';
    host: string | null;
    hostName: string | null;
    about: string;
    tags: string[];
    version: number;
    shipped: boolean;
    favourite: boolean;
    uses: number;
    usedAt: string | null;
    /**
     * Roles, and roles with a host (role@host), that begin with it.
     */
    defaultFor: string[];
    /**
     * 1 to 9: the key that leads to it.
     */
    key: number | null;
    /**
     * What it is found by beside its name, note and tags.
     */
    words: string;
}
/**
 * Presets and hosts together.
 */
export interface LibraryFile {
    $schema?: string;
    format: 'outer-crate/library';
    version: 1;
    presets?: PresetFile[];
    hosts?: HostFile[];
}
/**
 * A preset: saved rules for an output.
 */
export interface PresetFile {
    $schema?: string;
    format: 'outer-crate/preset';
    version: 1;
    /**
     * What it is known by, in sheets and commands; the file's own name when absent.
     */
    id?: string;
    /**
     * Counted up by whoever ships it; a library counts its own.
     */
    revision?: number;
    name: string;
    role: 'master' | 'upload' | 'review' | 'device' | 'stills' | 'sound';
    /**
     * Slug of the host it was made for.
     */
    host?: string;
    /**
     * Slug of the device whose limits its files keep.
     */
    device?: string;
    about?: string;
    /**
     * @maxItems 20
     */
    tags?:
        | []
        | [string]
        | [string, string]
        | [string, string, string]
        | [string, string, string, string]
        | [string, string, string, string, string]
        | [string, string, string, string, string, string]
        | [string, string, string, string, string, string, string]
        | [string, string, string, string, string, string, string, string]
        | [string, string, string, string, string, string, string, string, string]
        | [string, string, string, string, string, string, string, string, string, string]
        | [string, string, string, string, string, string, string, string, string, string, string]
        | [string, string, string, string, string, string, string, string, string, string, string, string]
        | [string, string, string, string, string, string, string, string, string, string, string, string, string]
        | [
              string,
              string,
              string,
              string,
              string,
              string,
              string,
              string,
              string,
              string,
              string,
              string,
              string,
              string
          ]
        | [
              string,
              string,
              string,
              string,
              string,
              string,
              string,
              string,
              string,
              string,
              string,
              string,
              string,
              string,
              string
          ]
        | [
              string,
              string,
              string,
              string,
              string,
              string,
              string,
              string,
              string,
              string,
              string,
              string,
              string,
              string,
              string,
              string
          ]
        | [
              string,
              string,
              string,
              string,
              string,
              string,
              string,
              string,
              string,
              string,
              string,
              string,
              string,
              string,
              string,
              string,
              string
          ]
        | [
              string,
              string,
              string,
              string,
              string,
              string,
              string,
              string,
              string,
              string,
              string,
              string,
              string,
              string,
              string,
              string,
              string,
              string
          ]
        | [
              string,
              string,
              string,
              string,
              string,
              string,
              string,
              string,
              string,
              string,
              string,
              string,
              string,
              string,
              string,
              string,
              string,
              string,
              string
          ]
        | [
              string,
              string,
              string,
              string,
              string,
              string,
              string,
              string,
              string,
              string,
              string,
              string,
              string,
              string,
              string,
              string,
              string,
              string,
              string,
              string
          ];
    rules: Rules;
}
/**
 * Rules by cell, as presets and edits say them. A word, or named values.
 */
export interface Rules {
    container?:
        | 'host'
        | {
              as?: 'host';
              set?: string;
              fastStart?: boolean;
          };
    video?:
        | ('host' | 'none')
        | {
              as?: 'host' | 'none';
              codec?: string;
              profile?: string;
              effort?: 'fast' | 'medium' | 'slow';
              /**
               * Fixed; null or absent for the lowest that holds.
               */
              level?: string | null;
              tune?: 'grain' | 'animation' | 'stills' | null;
              /**
               * hardware: the graphics chip, where one works; software otherwise.
               */
              device?: 'software' | 'hardware';
          };
    frameSize?: FrameSize;
    frameRate?:
        | 'follow'
        | {
              as?: 'follow';
              /**
               * 25, 30000/1001, 29.97
               */
              exact?: string | null;
              /**
               * Lifted by whole multiples until it is reached.
               */
              atLeast?: string;
              halve?: boolean;
              /**
               * How frames of one rate become those of another.
               */
              by?: 'repeat' | 'blend' | 'motion';
              /**
               * How fields become frames; by the material when absent.
               */
              fields?: 'keep' | 'interpolate' | 'blend' | null;
              /**
               * What the cut’s frames are, where its file says otherwise.
               */
              source?: 'progressive' | 'tff' | 'bff' | null;
          };
    bitrate?: Bitrate;
    keyframes?:
        | ('host' | 'intra')
        | {
              as?: 'host' | 'intra';
              /**
               * From 0.1 to 20.
               */
              seconds?: number | null;
              /**
               * In place of seconds. From 1 to 1000.
               */
              frames?: number | null;
              closed?: boolean;
              /**
               * From 0 to 16.
               */
              bFrames?: number | null;
              pyramid?: boolean;
              /**
               * From 1 to 16.
               */
              references?: number | null;
              sceneCuts?: boolean;
          };
    colour?:
        | ('follow' | 'host')
        | {
              as?: 'follow' | 'host';
              bitDepth?: 8 | 10 | 12 | 16 | null;
              chroma?: '4:2:0' | '4:2:2' | '4:4:4' | null;
              /**
               * What the samples are taken for, without changing them; none leaves the file untagged.
               */
              tag?: 'bt709' | 'bt601-525' | 'bt601-625' | 'bt2020' | 'bt2020-pq' | 'bt2020-hlg' | 'none' | null;
              /**
               * Samples are computed anew for this space; HDR comes down to SDR.
               */
              convert?: 'bt709' | 'bt601-525' | 'bt601-625' | 'bt2020' | 'bt2020-pq' | 'bt2020-hlg' | null;
              range?: 'limited' | 'full' | null;
              /**
               * Middle tones are lifted above 1, lowered below. From 0.5 to 2.
               */
              gamma?: number | null;
              dither?: 'ordered' | 'error-diffusion' | 'none';
              /**
               * HDR10 metadata.
               */
              hdr10?: 'carry' | 'measure' | 'none';
          };
    audio?:
        | ('follow' | 'host' | 'none')
        | {
              as?: 'follow' | 'host' | 'none';
              codec?: string;
              /**
               * From 8 to 640.
               */
              kbps?: number | null;
              sampleRate?: number | null;
              channels?: number | null;
              bitDepth?: 16 | 24 | 32 | null;
              loudness?: (number | null) | 'host';
              /**
               * From −10 to 0.
               */
              truePeak?: number | null;
              /**
               * By which a mix of channels is lowered. From 0 to 18.
               */
              headroom?: number | null;
              tracks?: 'first' | 'all';
          };
    file?: File;
}
/**
 * Body of PUT /api/machine.
 */
export interface MachineRequest {
    /**
     * Bits per second.
     */
    lineSpeed: number;
}
/**
 * Answer of GET and PUT /api/machine.
 */
export interface Machine {
    freeBytes: number | null;
    freeLabel: string | null;
    engine: string | null;
    /**
     * Version of Outer Crate.
     */
    version: string;
    deliveries: string;
    lineSpeed: number;
    lineSpeedLabel: string;
    /**
     * Files that were sent; 0 where the speed was set.
     */
    lineSpeedLearntFrom: number;
    /**
     * Who is signed in; null on the machine itself while no sign-in is required.
     */
    user: string | null;
    /**
     * What the visitor may do.
     */
    role: 'owner' | 'editor' | 'viewer';
}
/**
 * A file in a media folder.
 */
export interface MediaFile {
    /**
     * As POST /api/cuts takes it; an address (file:///…, RFC 8089) where the name is not valid UTF-8.
     */
    path: string;
    name: string;
    folder: string;
    bytes: number;
    bytesLabel: string;
    modified: string;
    kind: 'video' | 'project' | 'sound' | 'picture' | 'captions' | 'list' | 'sidecar' | 'other';
    kindLabel: string;
    cut: number | null;
}
/**
 * Answer of GET /api/media: a page of the files that ?search= finds, newest first, from ?offset= on.
 */
export interface MediaList {
    folders: string[];
    files: MediaFile[];
    /**
     * Files that were found in all.
     */
    found: number;
}
/**
 * Answer of POST /api/cuts/{cut}/pack.
 */
export interface PackAnswer {
    pack: string;
    runs: Run[];
}
/**
 * Printed by `bin/crate pack --json`.
 */
export interface PackCommand {
    outputs: {
        file: string | null;
        bytes: number | null;
        sha256: string | null;
        state: 'done' | 'failed' | 'stopped';
        error: string | null;
        plan: Plan;
        slip: null | Slip;
    }[];
}
/**
 * An output with every value decided, each with its origin; its findings and estimate.
 */
export interface Plan {
    preset: string;
    presetName: string;
    /**
     * Absent where an earlier version planned it.
     */
    presetVersion?: number;
    role: 'master' | 'upload' | 'review' | 'device' | 'stills' | 'sound';
    host: string | null;
    hostName: string | null;
    /**
     * Absent where an earlier version planned it.
     */
    hostVersion?: number | null;
    edits: Edits;
    values: Values;
    origins: Origins;
    range: {
        first: number;
        last: number;
        own: boolean;
    };
    frames: number;
    duration: string;
    findings: Finding[];
    estimate: {
        bytes: number;
        bytesLabel: string;
        marginPercent: number;
        basis: 'bitrate' | 'codec' | 'cut' | 'content' | 'sample';
        seconds: number;
        secondsLabel: string;
        sendSeconds: number | null;
        sendLabel: string | null;
        /**
         * Pieces are being encoded for a better figure.
         */
        sampling: boolean;
    };
    /**
     * What the host asks for this picture, in bits per second.
     */
    askedAverage: number | null;
    /**
     * The average spread over every pixel of every frame.
     */
    bitsPerPixel: number | null;
    /**
     * What the host asks, by cell; a cell of which it says nothing is left out.
     */
    asks: {
        [k: string]: string;
    };
    rules: Rules1;
    /**
     * Cells that leave nothing to change: what was decided before leaves one value, or none.
     */
    fixed: string[];
    /**
     * The row of the host's table of bitrates that this picture falls into.
     */
    bitrateRow: {
        shorterSide: number;
        high: boolean;
    } | null;
}
/**
 * The decided values of an output, by cell.
 */
export interface Values {
    container: {
        label: string;
        set: string;
        fastStart: boolean;
    };
    video: {
        label: string;
        codec: string;
        profile: string | null;
        level: string | null;
        effort: string;
        tune: string | null;
        device: string;
        /**
         * The engine’s encoder in a graphics chip.
         */
        encoder?: string | null;
    };
    frameSize: {
        label: string;
        exact: string;
        width: number;
        height: number;
        pictureWidth: number;
        pictureHeight: number;
        /**
         * What is done where the picture has another shape than the frame; null where it has the same.
         */
        shape: 'pad' | 'crop' | 'stretch' | null;
        sampleAspect: string;
        projection: string | null;
        /**
         * trim: the cut’s black bars are left out.
         */
        bars: string | null;
        /**
         * Size before edges are cut off; null where none are.
         */
        scaled?: string | null;
        window?: {
            left: number;
            top: number;
            width: number;
            height: number;
        } | null;
        edge?: boolean;
    };
    frameRate: {
        label: string;
        exact: string;
        rate: string;
        scan: 'progressive' | 'tff' | 'bff';
        deinterlace: boolean;
        fields: string | null;
        source: string;
        convert: boolean;
        by: string;
    };
    bitrate: {
        label: string;
        mode: 'quality' | 'cbr' | 'vbr' | 'codec' | 'lossless';
        passes: number;
        average: number | null;
        peak: number | null;
        quality: number | null;
        /**
         * Bytes that the file is to stay under.
         */
        target: number | null;
        /**
         * Bits that a decoder holds ready.
         */
        buffer?: number | null;
        /**
         * In which it fills at the peak.
         */
        bufferSeconds?: number | null;
        peakLabel?: string | null;
    };
    keyframes: {
        label: string;
        frames: number;
        seconds: string;
        closed: boolean;
        bFrames: number;
        pyramid: boolean;
        references: number | null;
        sceneCuts: boolean;
    };
    colour: {
        label: string;
        primaries: string | null;
        transfer: string | null;
        matrix: string | null;
        range: string;
        bitDepth: number;
        chroma: string;
        alpha: boolean;
        toneMap: boolean;
        converts: boolean;
        gamma: number;
        dither: string;
        tag: string | null;
        convert: string | null;
        hdr10: string;
        mastering: string | null;
        light: string | null;
        source?: {
            primaries: string | null;
            transfer: string | null;
            matrix: string | null;
            range: string;
        };
        masteringDisplay?: {
            [k: string]: string;
        } | null;
        contentLight?: {
            maxCll: number;
            maxFall: number;
        } | null;
        awaitsLight?: boolean;
    };
    audio: {
        label: string;
        codec: string | null;
        bitrate: number | null;
        kbps: number | null;
        sampleRate: number | null;
        channels: number | null;
        bitDepth: number | null;
        tracks: string;
        trackCount: number;
        loudness: number | null;
        truePeak: number | null;
        gain: number | null;
        limited: boolean;
        headroom?: number;
        loudnessLabel?: string | null;
        trackChannels?: number[];
        /**
         * dBTP at which peaks are held.
         */
        limit?: number | null;
    };
    file: {
        label: string;
        name: string;
        /**
         * Below the folder for deliveries.
         */
        folder: string;
        template: string;
        version: number;
        /**
         * Name of the first version.
         */
        first?: string;
    };
}
/**
 * Where each value came from, by cell.
 */
export interface Origins {
    [k: string]: {
        from: 'cut' | 'preset' | 'host' | 'rule' | 'you';
        text: string;
    };
}
/**
 * Rules by cell, as presets and edits say them. A word, or named values.
 */
export interface Rules1 {
    container?:
        | 'host'
        | {
              as?: 'host';
              set?: string;
              fastStart?: boolean;
          };
    video?:
        | ('host' | 'none')
        | {
              as?: 'host' | 'none';
              codec?: string;
              profile?: string;
              effort?: 'fast' | 'medium' | 'slow';
              /**
               * Fixed; null or absent for the lowest that holds.
               */
              level?: string | null;
              tune?: 'grain' | 'animation' | 'stills' | null;
              /**
               * hardware: the graphics chip, where one works; software otherwise.
               */
              device?: 'software' | 'hardware';
          };
    frameSize?: FrameSize;
    frameRate?:
        | 'follow'
        | {
              as?: 'follow';
              /**
               * 25, 30000/1001, 29.97
               */
              exact?: string | null;
              /**
               * Lifted by whole multiples until it is reached.
               */
              atLeast?: string;
              halve?: boolean;
              /**
               * How frames of one rate become those of another.
               */
              by?: 'repeat' | 'blend' | 'motion';
              /**
               * How fields become frames; by the material when absent.
               */
              fields?: 'keep' | 'interpolate' | 'blend' | null;
              /**
               * What the cut’s frames are, where its file says otherwise.
               */
              source?: 'progressive' | 'tff' | 'bff' | null;
          };
    bitrate?: Bitrate;
    keyframes?:
        | ('host' | 'intra')
        | {
              as?: 'host' | 'intra';
              /**
               * From 0.1 to 20.
               */
              seconds?: number | null;
              /**
               * In place of seconds. From 1 to 1000.
               */
              frames?: number | null;
              closed?: boolean;
              /**
               * From 0 to 16.
               */
              bFrames?: number | null;
              pyramid?: boolean;
              /**
               * From 1 to 16.
               */
              references?: number | null;
              sceneCuts?: boolean;
          };
    colour?:
        | ('follow' | 'host')
        | {
              as?: 'follow' | 'host';
              bitDepth?: 8 | 10 | 12 | 16 | null;
              chroma?: '4:2:0' | '4:2:2' | '4:4:4' | null;
              /**
               * What the samples are taken for, without changing them; none leaves the file untagged.
               */
              tag?: 'bt709' | 'bt601-525' | 'bt601-625' | 'bt2020' | 'bt2020-pq' | 'bt2020-hlg' | 'none' | null;
              /**
               * Samples are computed anew for this space; HDR comes down to SDR.
               */
              convert?: 'bt709' | 'bt601-525' | 'bt601-625' | 'bt2020' | 'bt2020-pq' | 'bt2020-hlg' | null;
              range?: 'limited' | 'full' | null;
              /**
               * Middle tones are lifted above 1, lowered below. From 0.5 to 2.
               */
              gamma?: number | null;
              dither?: 'ordered' | 'error-diffusion' | 'none';
              /**
               * HDR10 metadata.
               */
              hdr10?: 'carry' | 'measure' | 'none';
          };
    audio?:
        | ('follow' | 'host' | 'none')
        | {
              as?: 'follow' | 'host' | 'none';
              codec?: string;
              /**
               * From 8 to 640.
               */
              kbps?: number | null;
              sampleRate?: number | null;
              channels?: number | null;
              bitDepth?: 16 | 24 | 32 | null;
              loudness?: (number | null) | 'host';
              /**
               * From −10 to 0.
               */
              truePeak?: number | null;
              /**
               * By which a mix of channels is lowered. From 0 to 18.
               */
              headroom?: number | null;
              tracks?: 'first' | 'all';
          };
    file?: File;
}
/**
 * What came out of a run.
 */
export interface Slip {
    bytes: number;
    bytesLabel: string;
    sha256: string;
    /**
     * Null, or not there, in slips of an earlier version.
     */
    xxh64?: string | null;
    duration: string;
    durationLabel: string;
    frames: number;
    keyframes: {
        count: number;
        longestGap: number;
    };
    reading: Reading;
    differences: {
        cell: string;
        planned: string;
        found: string;
        text: string;
    }[];
    notes?: {
        cell: string;
        planned: string;
        found: string;
        text: string;
    }[];
    madeIn: number;
    quantiser?: number | null;
    tries?: number;
    /**
     * How loud its first track of sound is; null where it has none.
     */
    level?: {
        label: string;
        integrated: number | null;
        range: number;
        truePeak: number | null;
    } | null;
    bitrates: {
        video: number;
        videoLabel: string;
        audio: number | null;
        audioLabel: string | null;
        peakSecond: number;
        peakSecondLabel: string;
        /**
         * Bits that a decoder's buffer has to hold, filled at the planned peak.
         */
        bufferNeeded?: number | null;
    };
    /**
     * What came of decoding it to its end. Null, or not there, where that was not done.
     */
    decoded?: {
        label: string;
        frames: number;
        /**
         * Of faults, by the decoder; empty where it found none.
         */
        said: string;
        /**
         * Pictures that were held against the cut.
         */
        looked: number;
        /**
         * Structure that the one least alike shares with the cut, 0 to 1 (third term of SSIM).
         */
        least: number | null;
        leastAt: number | null;
    } | null;
    /**
     * Version of the engine that made it. Null, or not there, in slips of an earlier version.
     */
    engine?: string | null;
    /**
     * Version of Outer Crate that made it. Null or missing in slips from before 1.0.
     */
    version?: string | null;
    found: Words1;
}
/**
 * What a media file is; printed by `bin/crate read --json`.
 */
export interface Reading {
    container: string;
    containerName: string;
    fastStart: boolean | null;
    /**
     * Seconds, as a fraction.
     */
    duration: string;
    durationLabel: string;
    bytes: number;
    bytesLabel: string;
    bitrate: number;
    brands: string[];
    startTimecode: string | null;
    /**
     * Frames that the cut lasts at its rate; a range counts these.
     */
    length: number;
    video: {
        codec: string;
        codecName: string;
        profile: string | null;
        level: number | null;
        /**
         * As people say it, with the stream's number beside it.
         */
        levelLabel: string | null;
        /**
         * Codec string of RFC 6381.
         */
        codecs: string | null;
        label: string;
        width: number;
        height: number;
        codedWidth: number;
        codedHeight: number;
        sampleAspect: string;
        displayAspect: string;
        displayWidth: number;
        displayHeight: number;
        rotation: number;
        /**
         * Exact fraction, such as 30000/1001.
         */
        frameRate: string;
        frameRateLabel: string;
        nominalRate: string | null;
        variableRate: boolean;
        /**
         * Whether frames say when they are shown; if not, they are counted. Slips of earlier versions do not say.
         */
        clock?: 'told' | 'counted' | 'broken';
        /**
         * Seconds after the start of the file, as a fraction.
         */
        starts: string;
        scan: 'progressive' | 'tff' | 'bff';
        pixelFormat: string;
        bitDepth: number;
        chroma: string;
        chromaLocation: string | null;
        alpha: boolean;
        colour: {
            primaries: string | null;
            transfer: string | null;
            matrix: string | null;
            range: 'limited' | 'full';
            label: string;
        };
        hdr: boolean;
        mastering: {
            /**
             * @minItems 2
             * @maxItems 2
             */
            red: [number, number] | null;
            /**
             * @minItems 2
             * @maxItems 2
             */
            green: [number, number] | null;
            /**
             * @minItems 2
             * @maxItems 2
             */
            blue: [number, number] | null;
            /**
             * @minItems 2
             * @maxItems 2
             */
            white: [number, number] | null;
            darkest: number | null;
            brightest: number | null;
            label: string;
        } | null;
        contentLight: {
            maxCll: number;
            maxFall: number;
        } | null;
        projection: string | null;
        stereo: string | null;
        gop: {
            /**
             * From one keyframe to the next at most; 1 where every frame is one.
             */
            frames: number;
            closed: boolean | null;
            bFrames: number;
            pyramid: boolean;
            references: number | null;
            label: string;
        } | null;
        captions: boolean;
        frames: number;
        bitrate: number;
    }[];
    audio: {
        codec: string;
        codecName: string;
        codecs: string | null;
        label: string;
        sampleRate: number;
        channels: number;
        layout: string | null;
        bitDepth: number | null;
        bitrate: number | null;
        language: string | null;
    }[];
    captions: {
        codec: string;
        language: string | null;
    }[];
    chapters: {
        /**
         * In seconds.
         */
        start: number;
        title: string;
    }[];
    attachments: {
        name: string;
        type: string;
    }[];
    tags: {
        [k: string]: string;
    };
    analysis?: Analysis;
}
/**
 * What the file has, by cell, in the words of the sheet.
 */
export interface Words1 {
    container: string;
    video: string;
    frameSize: string;
    frameRate: string;
    bitrate: string;
    keyframes: string;
    colour: string;
    audio: string;
    file: string;
}
/**
 * POST /api/cuts/{cut}/pack: these outputs. Without a body, those of the cut's sheet.
 */
export interface PackRequest {
    /**
     * @maxItems 40
     */
    outputs: {
        preset: string;
        host?: string | null;
        edits?: Edits;
        range?: Range | null;
        /**
         * Of the preset: null for the newest; absent for the one that the output has.
         */
        version?: number | null;
    }[];
}
/**
 * First and last frame to deliver, counted from 0.
 */
export interface Range {
    first: number;
    /**
     * Included.
     */
    last: number;
}
/**
 * Answer of GET /api/packs/{pack}.
 */
export interface Pack {
    pack: string;
    cutName: string;
    cut: null | Cut;
    runs: PackedRun[];
}
/**
 * A run with its plan and its slip.
 */
export interface PackedRun {
    id: number;
    pack: string;
    cut: number | null;
    cutName: string;
    name: string;
    role: string;
    preset: string;
    state: 'waiting' | 'running' | 'checking' | 'done' | 'failed' | 'stopped';
    frames: number;
    framesTotal: number;
    percent: number;
    speed: number | null;
    secondsLeft: number | null;
    secondsLeftLabel: string | null;
    expectedSeconds: number;
    error: string | null;
    file: string;
    path: string;
    onDisk: boolean;
    stopAsked: boolean;
    endedAt: string | null;
    bytesLabel: string | null;
    differences: number | null;
    plan: Plan;
    slip: null | Slip;
    /**
     * A folder of images in place of a file; it cannot be downloaded.
     */
    isFolder: boolean;
    /**
     * How long the file took to its host, once that was said.
     */
    sent: null | {
        label: string;
        speedLabel: string;
    };
    /**
     * It is left alone where it waits, and stands still where it is being made.
     */
    paused: boolean;
    /**
     * The pass under way, such as `pass 1 of 2`; null where there is one, or none yet.
     */
    pass: string | null;
    /**
     * File size so far.
     */
    soFarLabel: string | null;
    /**
     * File size that it is likely to come to.
     */
    toComeLabel: string | null;
    startedAt: string | null;
    /**
     * In the queue: the lower is made first.
     */
    place: number;
    /**
     * Key of its column on the sheet.
     */
    output: string | null;
    /**
     * It was sent back to its sheet, and waits for what is made of it.
     */
    recalled: boolean;
    /**
     * It was taken off the page of the queue.
     */
    cleared: boolean;
}
/**
 * Answer of POST /api/packs.
 */
export interface PacksAnswer {
    runs: Run[];
    refused: {
        cut: number;
        name: string;
        message: string;
    }[];
}
/**
 * Body of POST /api/packs: the cuts whose sheets are packed.
 */
export interface PacksRequest {
    /**
     * @minItems 1
     * @maxItems 500
     */
    cuts: [number, ...number[]];
}
/**
 * The files that a cut is divided into; none where it goes out in one.
 */
export interface PiecesAnswer {
    pieces: {
        number: string;
        name: string;
        first: number;
        last: number;
        frames: number;
        whole?: boolean;
        seconds?: string;
        firstLabel: string;
        lastLabel: string;
        durationLabel: string;
    }[];
}
/**
 * How a cut is divided into files: by one of these.
 */
export interface PiecesRequest {
    /**
     * Frames with which a piece begins; none for one file.
     *
     * @maxItems 500
     */
    points?: {
        frame: number;
        name: string;
    }[];
    /**
     * A CMX 3600 EDL, a CSV with a place on each line, or WebVTT chapters.
     */
    list?: string;
    /**
     * Where shots are found to follow each other.
     */
    shots?: true;
}
/**
 * Answer of GET /api/cuts/{cut}/places.
 */
export interface PlaceList {
    files: MediaFile[];
}
/**
 * A plan as it is stored: what it was decided from, and what was decided.
 */
export interface PlanDocument {
    format: 'outer-crate/plan';
    /**
     * Of the format.
     */
    version: 1;
    inputs: {
        preset: {
            slug: string;
            version: number;
            file: {};
            device: {
                slug: string;
                file: {};
            } | null;
        };
        host: {
            slug: string;
            version: number;
            file: {};
        } | null;
        /**
         * Rules by row that a person changed.
         */
        edits: {};
        /**
         * Frames of the cut that were asked for; null for all.
         */
        range: {
            first: number;
            last: number;
        } | null;
        ownRange: boolean;
        piece: {
            first: number;
            last: number;
            number: string;
            name: string;
        } | null;
        /**
         * What was read of the cut; null where it is kept beside the document.
         */
        reading: {
            probe: {};
            bytes: number;
            fastStart: boolean | null;
        } | null;
    };
    /**
     * The preset’s rules with the changes laid over them.
     */
    rules: {};
    values: Values;
    origins: Origins;
    range: {
        first: number;
        last: number;
    };
    /**
     * To make.
     */
    frames: number;
    /**
     * In seconds, as a fraction.
     */
    duration: string;
    /**
     * Rules that led to no value.
     */
    refused: {
        cell: string;
        text: string;
        yours: boolean;
    }[];
}
/**
 * Answer of POST /api/plan; printed by `bin/crate plan --json`.
 */
export interface PlanList {
    outputs: Plan[];
    recap: string;
    stopped: boolean;
}
/**
 * Body of POST /api/plan.
 */
export interface PlanRequest {
    cut: number;
    /**
     * @maxItems 40
     */
    outputs: {
        preset: string;
        host?: string | null;
        edits?: Edits;
        range?: Range | null;
        /**
         * Of the preset: null for the newest; absent for the one that the output has.
         */
        version?: number | null;
    }[];
    range?: Range | null;
}
/**
 * Answer of GET /api/presets, in the order in which they are reached for.
 */
export interface PresetList {
    presets: PresetCard[];
    /**
     * Files that are not in their format, and are left out.
     */
    broken: {
        file: string;
        fault: string;
    }[];
    removed: {
        slug: string;
        name: string;
        removedAt: string;
    }[];
    /**
     * Slugs by role, or role@host.
     */
    defaults: {
        [k: string]: string;
    };
}
/**
 * Body of POST /api/library/preset and PUT /api/library/preset/{preset}. What is absent stays.
 */
export interface PresetRequest {
    name?: string;
    about?: string;
    role?: 'master' | 'upload' | 'review' | 'device' | 'stills' | 'sound';
    host?: string | null;
    tags?: string[];
    /**
     * Of this version.
     */
    note?: string;
    /**
     * Slug of a preset to begin from.
     */
    copyOf?: string;
    /**
     * Version that was begun from; one that was saved meanwhile is not saved over.
     */
    began?: number;
    /**
     * Rules of a column of a cut's sheet; those of some cells with the values that they came to.
     */
    from?: {
        cut: number;
        output: string;
        fixed: string[];
    };
    /**
     * Rules of a candidate of a transit test.
     */
    fromTest?: {
        test: number;
        candidate: string;
    };
}
/**
 * What a webhook is told when all of the queue is done.
 */
export interface QueueDone {
    event: 'queue-done';
    id: number;
    endedAt: string;
    made: {
        run: number;
        cut: string;
        output: string;
        file: string;
        bytes: number | null;
        sha256: string | null;
        error: string | null;
    }[];
    failed: {
        run: number;
        cut: string;
        output: string;
        file: string;
        bytes: number | null;
        sha256: string | null;
        error: string | null;
    }[];
    stopped: {
        run: number;
        cut: string;
        output: string;
        file: string;
        bytes: number | null;
        sha256: string | null;
        error: string | null;
    }[];
}
/**
 * All runs under way together.
 */
export interface QueueSummary {
    secondsLeft: number;
    secondsLeftLabel: string;
    ends: string | null;
    going: number;
    waiting: number;
    paused: number;
    /**
     * Of all that is under way.
     */
    percent: number;
}
/**
 * Answer of GET /api/queue and of GET /api/queue/changes: runs under way in their order, then finished ones, or only the runs that changed.
 */
export interface Queue {
    /**
     * `since` of the next GET /api/queue/changes.
     */
    at: string;
    /**
     * Runs under way, in their order.
     */
    order: number[];
    runs: Run[];
    /**
     * Of each run under way, in their order.
     */
    times: {
        run: number;
        begins: string | null;
        ends: string | null;
    }[];
    queue: QueueSummary;
}
/**
 * Answer of GET /api/cuts/{cut}/reading.
 */
export interface ReadingInWords {
    groups: {
        title: string;
        facts: {
            name: string;
            text: string;
        }[];
    }[];
}
/**
 * When everybody is to see it; null takes back what was said.
 */
export interface ReleaseRequest {
    when: 'now' | 'ready' | 'at' | null;
    at?: string;
    zone?: string;
}
/**
 * Answer of POST /api/retention/preview: what is stored, and what the limits would delete.
 */
export interface RetentionPreview {
    kinds: {
        kind: 'logs' | 'tests' | 'samples' | 'derived';
        items: number;
        label: string;
        deletedItems: number;
        deletedLabel: string;
    }[];
}
/**
 * Body of POST /api/retention/preview.
 */
export interface RetentionRequest {
    retention: Retention;
}
/**
 * Limits for logs of runs, tests, samples and derived files; a missing or null limit means no limit.
 */
export interface Retention {
    logs?: {
        days: number | null;
        gigabytes: number | null;
    };
    tests?: {
        days: number | null;
        gigabytes: number | null;
    };
    samples?: {
        days: number | null;
        gigabytes: number | null;
    };
    derived?: {
        days: number | null;
        gigabytes: number | null;
    };
}
/**
 * Answer of GET /api/cuts/{cut}/help/{cell}: a row of the sheet explained.
 */
export interface RowHelp {
    label: string;
    what: string;
    wrong: string;
    /**
     * With the numbers of each output.
     */
    here: {
        output: number;
        text: string;
    }[];
}
/**
 * Answer of POST /api/runs/{run}/stop.
 */
export interface RunAnswer {
    run: Run;
}
/**
 * Answer of GET /api/runs/{run}/log.
 */
export interface RunLog {
    lines: {
        at: string;
        kind: 'begun' | 'command' | 'warning' | 'result' | 'ended';
        text: string;
        seconds: number | null;
    }[];
}
/**
 * Body of PUT /api/runs/{run}/place and of PUT /api/dispatches/{dispatch}/place.
 */
export interface RunMoveRequest {
    /**
     * The one that it is to come before; null for the end.
     */
    before: number | null;
}
/**
 * Answer of POST /api/runs/clear.
 */
export interface RunsClearAnswer {
    runs: number[];
}
/**
 * Body of POST /api/runs/clear.
 */
export interface RunsClearRequest {
    /**
     * @minItems 1
     */
    runs: [number, ...number[]];
    /**
     * False puts them back on the page.
     */
    cleared: boolean;
}
/**
 * Answer of GET /api/cuts/{cut}/outputs/{output}/preset: what a preset of the column would say.
 */
export interface SavingPreview {
    preset: string;
    name: string;
    about: string;
    role: 'master' | 'upload' | 'review' | 'device' | 'stills' | 'sound';
    host: string | null;
    tags: string[];
    /**
     * Of the preset as it can be saved over; null where it ships or is not there.
     */
    version: number | null;
    rows: {
        cell: string;
        label: string;
        was: string;
        rule: string;
        changed: boolean;
        /**
         * The rule with this cut's value; null where nothing depends on the cut.
         */
        fixed: string | null;
        value: string;
    }[];
}
/**
 * Body of PUT /api/runs/{run}/sent.
 */
export interface SentRequest {
    /**
     * How long sending took: 42:10, 1:05:00. Null takes it back.
     */
    took: string | null;
}
/**
 * Body of PUT /api/settings: what is to change; null puts a setting back to what is configured.
 */
export interface SettingsRequest {
    deliveries?: string | null;
    mediaFolders?: string[] | null;
    lineSpeed?: number | null;
    runsAtOnce?: number | null;
    endSound?: string | null;
    webhook?: string | null;
    webhookSecret?: string | null;
    /**
     * Bits per second that sending may take of the line; 0 for all of it.
     */
    sendSpeed?: number | null;
    /**
     * 22:00-06:30; empty for all of the day.
     */
    sendHours?: string | null;
    /**
     * Whether people sign in on the machine itself as well, once there is a user.
     */
    signInHere?: boolean | null;
    retention?: Retention | null;
}
/**
 * Answer of GET and PUT /api/settings; printed by `bin/crate settings --json`.
 */
export interface Settings {
    deliveries: string;
    mediaFolders: string[];
    /**
     * Bits per second.
     */
    lineSpeed: number;
    runsAtOnce: number;
    endSound: string;
    webhook: string | null;
    /**
     * Whether there is one.
     */
    webhookSecret: boolean;
    deliveriesVolume: {
        path: string;
        isThere: boolean;
        freeLabel: string | null;
        fileSystem: string | null;
    };
    mediaVolumes: {
        path: string;
        isThere: boolean;
        freeLabel: string | null;
        fileSystem: string | null;
    }[];
    lineSpeedLabel: string;
    sounds: string[];
    mostAtOnce: number;
    cores: number;
    /**
     * Those that somebody set.
     */
    changed: string[];
    /**
     * Bits per second that sending may take of the line; 0 for all of it.
     */
    sendSpeed: number;
    /**
     * 22:00-06:30; empty for all of the day.
     */
    sendHours: string;
    /**
     * How clocks stand here.
     */
    zone: string;
    /**
     * Whether people sign in on the machine itself as well, once there is a user.
     */
    signInHere: boolean;
    retention: Retention;
}
/**
 * Body of PUT /api/cuts/{cut}/sheet.
 */
export interface SheetRequest {
    /**
     * Null or absent for all of the cut.
     */
    range?: Range | null;
    /**
     * @maxItems 40
     */
    outputs: {
        key: string;
        preset: string;
        host: string | null;
        edits: Edits;
        /**
         * Of its own; null or absent where it follows the cut's.
         */
        range?: Range | null;
        /**
         * Of the preset: null for the newest; absent for the one that the output has.
         */
        version?: number | null;
        /**
         * Of the host when its asks were last looked at: null for its newest; absent for what is kept.
         */
        hostVersion?: number | null;
    }[];
    /**
     * Of the sheet that this began from; what another window saved since then is merged in. Absent: the current one.
     */
    version?: number;
}
/**
 * Answer of GET and PUT /api/cuts/{cut}/sheet.
 */
export interface Sheet {
    cut: Cut;
    range: {
        first: number;
        last: number;
        firstLabel: string;
        lastLabel: string;
        frames: number;
        seconds: string;
        durationLabel: string;
        whole: boolean;
        /**
         * Chosen by the person; otherwise all of the cut.
         */
        set: boolean;
    };
    noticed: {
        id: string;
        severity: 'stop' | 'caution' | 'note';
        text: string;
        /**
         * The range that answers it.
         */
        range: Range | null;
    }[];
    outputs: {
        key: string;
        range: {
            first: number;
            last: number;
            firstLabel: string;
            lastLabel: string;
            frames: number;
            seconds: string;
            durationLabel: string;
            whole: boolean;
            own: boolean;
        };
        plan: Plan;
    }[];
    recap: string;
    stopped: boolean;
    totals: {
        bytes: number;
        bytesLabel: string;
        secondsLabel: string;
        sendLabel: string | null;
    };
    /**
     * Counted up with each change.
     */
    version: number;
    /**
     * What another window changed, too, in a save that began before that.
     */
    told: string[];
}
/**
 * Answer of POST /api/sign-in.
 */
export interface SignInAnswer {
    user: string;
}
/**
 * Body of POST /api/sign-in.
 */
export interface SignInRequest {
    name: string;
    password: string;
}
/**
 * Runs whose files are cleared away.
 */
export interface StoreClearRequest {
    runs: number[];
}
/**
 * Answer of GET /api/store/derived: cached files.
 */
export interface StoreDerived {
    derived: {
        what: 'pictures' | 'steps';
        bytes: number;
        label: string;
    }[];
}
/**
 * Answer of GET /api/store: one page of finished files, and the size of all.
 */
export interface Store {
    files: {
        run: number;
        pack: string;
        cut: number | null;
        cutName: string;
        role: string;
        file: string;
        path: string;
        /**
         * False if the file was deleted or its drive is disconnected.
         */
        onDisk: boolean;
        bytes: number;
        bytesLabel: string;
        endedAt: string;
        /**
         * Why it cannot be cleared; null where it can.
         */
        kept: string | null;
        /**
         * Of all files of its cut.
         */
        cutBytesLabel: string;
    }[];
    /**
     * For the next page; null on the last one.
     */
    cursor: string | null;
    /**
     * Size of all stored files.
     */
    filesLabel: string;
    /**
     * Cleared files that can be restored.
     */
    cleared: {
        files: number;
        /**
         * The first names.
         */
        names: string[];
        label: string;
    };
}
/**
 * Work under way other than making files: an analysis, a test, a lesson, a sending.
 */
export interface StripActivity {
    kind: string;
    /**
     * Of the cut, host or video.
     */
    name: string;
    what: string;
    /**
     * Path of the page that shows it.
     */
    page: string;
    running: boolean;
    percent: number;
    secondsLeftLabel: string | null;
}
/**
 * Answer of GET /api/strip: what the strip at the bottom of every page shows.
 */
export interface Strip {
    /**
     * A worker is running.
     */
    worker: boolean;
    /**
     * The first runs under way, then the latest finished ones.
     */
    runs: Run[];
    activities: StripActivity[];
    queue: QueueSummary;
    /**
     * The last time that all of it was done.
     */
    ended: {
        id: number;
        endedAt: string;
        made: number;
        failed: number;
        words: string;
        sound: string;
    } | null;
}
/**
 * What was understood of a pasted table of rates.
 */
export interface TableAnswer {
    figures: {
        line: number;
        text: string;
        shorterSide: number;
        forHigh: boolean | null;
        forHdr: boolean | null;
        low: number | null;
        high: number | null;
        guessed: boolean;
        label: string;
    }[];
    remarks: {
        line: number;
        text: string;
    }[];
    rows: {
        /**
         * Shorter side of the frame, the name of the class.
         */
        shorterSide: number;
        /**
         * Average for usual frame rates, or the floor of a range.
         */
        kbps: number;
        /**
         * Ceiling of the range.
         */
        toKbps?: number;
        /**
         * Average for frame rates above highFrameRateAbove, or the floor; as usual rates when absent.
         */
        highKbps?: number;
        /**
         * Ceiling of the range.
         */
        highToKbps?: number;
        /**
         * The same for HDR; hdrTimes when absent.
         */
        hdrKbps?: number;
        /**
         * Ceiling of the range.
         */
        hdrToKbps?: number;
        /**
         * HDR at high frame rates.
         */
        hdrHighKbps?: number;
        /**
         * Ceiling of the range.
         */
        hdrHighToKbps?: number;
        /**
         * The most it takes at any time.
         */
        peakKbps?: number;
    }[];
}
/**
 * Body of POST /api/library/host/table.
 */
export interface TableRequest {
    text: string;
}
/**
 * What was learnt of a host from uploads and what it made of them.
 */
export interface Taught {
    host: string;
    hostName: string;
    /**
     * What it was known to do.
     */
    before: string | null;
    /**
     * What it does, as learnt.
     */
    words: string;
    lessons: Lesson[];
    tiers: {
        name: string;
        who: string;
        /**
         * False where no lesson shows it: it stays as it was.
         */
        taught: boolean;
        ladder: {
            shorterSide: number;
            codecName: string;
            rate: string;
            keyframeSeconds: number;
            keyframesSeen: boolean;
            speed: string;
            /**
             * That show it; 0 where it stays as it was.
             */
            files: number;
            /**
             * Of the stand-in, the most of all files, as a share.
             */
            rateOff: number | null;
            /**
             * The same in dB.
             */
            ssimOff: number | null;
        }[];
    }[];
    nearness: string;
    /**
     * The borders that were known before agree with these uploads.
     */
    bordersHeld: boolean;
    /**
     * Uploads that would tell more.
     */
    next: string[];
    remarks: string[];
    /**
     * As in a host file.
     */
    recompression: {};
}
/**
 * Answer of POST /api/hosts/{host}/teachings, GET /api/teachings/{teaching} and POST /api/teachings/{teaching}/stop.
 */
export interface TeachingAnswer {
    teaching: Teaching;
}
/**
 * A teaching of a host.
 */
export interface Teaching {
    id: number;
    host: string;
    hostName: string;
    state: 'waiting' | 'running' | 'checking' | 'done' | 'failed' | 'stopped';
    percent: number;
    secondsLeft: number | null;
    stopAsked: boolean;
    error: string | null;
    askedAt: string;
    /**
     * Paths of the files of each.
     */
    lessons: string[][];
    /**
     * Host that holds it now.
     */
    savedAs: string | null;
    result: Taught | null;
}
/**
 * Answer of GET /api/hosts/{host}/teachings: the newest first.
 */
export interface TeachingList {
    teachings: {
        id: number;
        state: string;
        askedAt: string;
        lessons: number;
        savedAs: string | null;
    }[];
}
/**
 * POST /api/hosts/{host}/teachings: of each lesson an upload and what the host made of it, in any order.
 */
export interface TeachingRequest {
    /**
     * @minItems 1
     */
    lessons: [[string, ...string[]], ...[string, ...string[]][]];
}
/**
 * What is said of a video, kept for its series.
 */
export interface TemplateRequest {
    name: string;
}
/**
 * A part of a frame of the cut, or of the picture that was brought along, as a thumbnail.
 */
export interface ThumbnailRequest {
    /**
     * Counted from 0; absent for the picture that was brought along.
     */
    frame?: number;
    lift?: number;
    /**
     * 0 keeps the left of what does not fit, 1 the right.
     */
    across?: number;
    /**
     * 0 keeps the top of what does not fit, 1 the bottom.
     */
    down?: number;
    /**
     * 1 keeps as much as fits, 2 half of that in both directions.
     */
    closer?: number;
}
/**
 * Answer of GET /api/cuts/{cut}/tests/latest: the newest test of a cut; null where it was never tested.
 */
export interface TransitLatestAnswer {
    test: TransitTest | null;
}
/**
 * A transit test of a cut.
 */
export interface TransitTest {
    id: number;
    cut: number;
    host: string;
    hostName: string;
    state: 'waiting' | 'running' | 'checking' | 'done' | 'failed' | 'stopped';
    percent: number;
    secondsLeft: number | null;
    stopAsked: boolean;
    error: string | null;
    askedAt: string;
    screens: number[];
    candidates: {
        name: string;
        preset: string;
        host: string | null;
        version: number;
        edits: Edits;
    }[];
    result: Transit | null;
    /**
     * Key of the sheet’s output that the candidates lie around; null where they are outputs themselves.
     */
    output: string | null;
}
/**
 * What a transit test came to: candidates that were sent through a host’s recompression, and what was left.
 */
export interface Transit {
    host: string;
    hostName: string;
    hostVersion: number;
    simulation: string;
    /**
     * What each figure is, with its version.
     */
    measures: {
        [k: string]: string;
    };
    sampled: {
        frames: number;
        of: number;
        share: number;
    };
    pieces: {
        firstFrame: number;
        lastFrame: number;
        /**
         * Of the range that it stands for.
         */
        share: number;
        why: string;
        words: string;
    }[];
    /**
     * Lines of the screen that decides what is recommended.
     */
    screen: number;
    candidates: {
        name: string;
        upload: {
            /**
             * Of the whole file, estimated.
             */
            bytes: number;
            /**
             * Bits per second that the pieces stand for.
             */
            bitrate: number;
            /**
             * Bits per second that the whole is to have; null where quality or codec leads.
             */
            wanted: number | null;
            ssimDb: number;
            /**
             * To make the whole.
             */
            seconds: number;
            sendSeconds: number;
            /**
             * The 5th percentile of the seconds, of the worst piece.
             */
            ssimDbWorst: number;
            ssimDbPieces: number[];
            /**
             * dB; null where nothing differs.
             */
            psnr: number | null;
            /**
             * The engine’s, the mean of four scales; of the frames that were looked at closely.
             */
            vif: number | null;
            /**
             * Frames by which it came back late, which was corrected before it was measured.
             */
            shift: number;
            repeated: number;
            dropped: number;
            /**
             * By octave, the finest first, 0 to 1; null where the cut has none.
             */
            detailKept: (number | null)[];
            /**
             * Energy that was added, as a share of the cut’s.
             */
            detailAdded: (number | null)[];
            shadowKept: number | null;
            grainKept: number | null;
            bandingAdded: number;
            /**
             * Share of black to white; above 0 it became brighter.
             */
            toneShift: number;
            tone: string;
            tint: {
                cb: number;
                cr: number;
            };
            bytesLabel: string;
            secondsLabel: string;
            sendLabel: string;
        };
        after: {
            screen: number;
            /**
             * Lines of the one that a player picks.
             */
            rendition: number;
            frame: string;
            codec: string;
            tier: string;
            bitrate: number;
            wanted: number | null;
            ssimDb: number;
            /**
             * dB: by how much its difference from the recommended one is uncertain.
             */
            margin: number;
            /**
             * The 5th percentile of the seconds, of the worst piece.
             */
            ssimDbWorst: number;
            ssimDbPieces: number[];
            /**
             * dB; null where nothing differs.
             */
            psnr: number | null;
            /**
             * The engine’s, the mean of four scales; of the frames that were looked at closely.
             */
            vif: number | null;
            /**
             * Frames by which it came back late, which was corrected before it was measured.
             */
            shift: number;
            repeated: number;
            dropped: number;
            /**
             * By octave, the finest first, 0 to 1; null where the cut has none.
             */
            detailKept: (number | null)[];
            /**
             * Energy that was added, as a share of the cut’s.
             */
            detailAdded: (number | null)[];
            shadowKept: number | null;
            grainKept: number | null;
            bandingAdded: number;
            /**
             * Share of black to white; above 0 it became brighter.
             */
            toneShift: number;
            tone: string;
            tint: {
                cb: number;
                cr: number;
            };
            /**
             * Bands are seen that the cut does not have.
             */
            banded: boolean;
        }[];
        /**
         * After the host’s own loudness; null where it is not known.
         */
        sound: {
            loudness: number;
            /**
             * dBTP.
             */
            truePeak: number | null;
            /**
             * dB by which the host turns it up or down.
             */
            gain: number;
            /**
             * dB that the host's limiter takes off the peaks.
             */
            pressed: number;
            /**
             * LU by which loud and soft lie further apart than in the upload.
             */
            range: number;
            upload: {
                loudness: number;
                truePeak: number | null;
            };
            text: string;
        } | null;
    }[];
    /**
     * Candidates that none as small beats, the smallest first.
     */
    edge: string[];
    /**
     * The candidate past which twice the size gains less than a step.
     */
    past: string | null;
    /**
     * dB.
     */
    step: number;
    weights: {
        size: number;
        making: number;
        sending: number;
        quality: number;
    };
    recommended: {
        name: string;
        why: string;
        /**
         * Others that cannot be told from it.
         */
        equals: string[];
    };
}
/**
 * POST /api/cuts/{cut}/tests: candidates to send through a host.
 */
export interface TransitRequest {
    host: string;
    /**
     * Candidates as they stand; absent for the uploads of the sheet.
     *
     * @maxItems 60
     */
    outputs?: {
        preset: string;
        host?: string | null;
        edits?: Edits;
        range?: Range | null;
        version?: number | null;
    }[];
    /**
     * Candidates around one output of the sheet.
     */
    grid?: {
        /**
         * Place of the sheet’s output that the candidates lie around.
         */
        output: number;
        /**
         * @maxItems 24
         */
        times?: number[];
        /**
         * @maxItems 24
         */
        steps?: number[];
        /**
         * @maxItems 24
         */
        passes?: (1 | 2)[];
        /**
         * @maxItems 24
         */
        codecs?: string[];
        /**
         * @maxItems 24
         */
        keyframes?: number[];
        /**
         * @maxItems 24
         */
        depths?: (8 | 10)[];
        /**
         * Gammas that the middle tones are lifted by; 1 leaves them alone.
         *
         * @maxItems 24
         */
        lifts?: number[];
    };
    /**
     * One output made quickly, carefully, and from a master that is made first.
     */
    routes?: {
        /**
         * Place of the sheet’s output that is made in each way.
         */
        output: number;
        /**
         * Preset of the master that is made first; the sheet’s own when absent.
         */
        master?: string;
    };
    /**
     * @maxItems 24
     */
    screens?: (480 | 720 | 1080 | 1440 | 2160)[];
    pieces?: number;
    /**
     * Pieces that the person chose.
     *
     * @maxItems 24
     */
    chosen?: Range[];
    weights?: {
        size: number;
        making: number;
        sending: number;
        quality: number;
    };
}
/**
 * Answer of POST /api/cuts/{cut}/tests, GET /api/tests/{test} and POST /api/tests/{test}/stop.
 */
export interface TransitTestAnswer {
    test: TransitTest;
}
/**
 * Answer of GET /api/cuts/{cut}/tests: the newest first, without their results.
 */
export interface TransitTestList {
    tests: {
        id: number;
        hostName: string;
        state: string;
        askedAt: string;
        candidates: number;
    }[];
}
/**
 * Answer of GET /api/uploads/{id}.
 */
export interface UploadAnswer {
    upload: Upload;
}
/**
 * A file that is being sent from the browser, or has arrived.
 */
export interface Upload {
    id: string;
    name: string;
    bytes: number;
    bytesLabel: string;
    offset: number;
    complete: boolean;
    sha256: string | null;
    file: string | null;
    expires: string;
}
/**
 * Answer of GET /api/uploads: what was begun and is not finished.
 */
export interface UploadList {
    uploads: Upload[];
}
/**
 * A folder to watch, and what is made of each of its files.
 */
export interface WatchFolderRequest {
    path: string;
    outputs: {
        preset: string;
        host: string | null;
    }[];
}
/**
 * Folders whose files are brought in and packed by themselves, with what became of the latest.
 */
export interface WatchFolders {
    folders: {
        id: number;
        path: string;
        isThere: boolean;
        outputs: {
            preset: string;
            host: string | null;
        }[];
        files: {
            name: string;
            state: 'settling' | 'packing' | 'packed' | 'failed' | 'refused';
            /**
             * Why it was set aside.
             */
            error: string | null;
            pack: string | null;
        }[];
    }[];
}
/**
 * A text for each cell.
 */
export interface Words2 {
    container: string;
    video: string;
    frameSize: string;
    frameRate: string;
    bitrate: string;
    keyframes: string;
    colour: string;
    audio: string;
    file: string;
}
/**
 * Answer of GET /api/workers: the processes that take work in hand, on all machines.
 */
export interface WorkerList {
    workers: {
        owner: string;
        host: string;
        does: string;
        cores: number;
        engine: string | null;
        /**
         * A folder without which it takes nothing in hand.
         */
        misses: string | null;
        inHand: {
            text: string;
            percent: number;
        }[];
    }[];
}

/** What each operation of the API takes and answers. */
export interface Operations {
    'POST sign-in': { answer: Contract['sign-in-answer']; request: Contract['sign-in-request']; query: never };
    'POST sign-out': { answer: undefined; request: undefined; query: never };
    'GET activity': { answer: Contract['activity']; request: undefined; query: 'search' | 'before' };
    'GET machine': { answer: Contract['machine']; request: undefined; query: never };
    'PUT machine': { answer: Contract['machine']; request: Contract['machine-request']; query: never };
    'GET settings': { answer: Contract['settings']; request: undefined; query: never };
    'PUT settings': { answer: Contract['settings']; request: Contract['settings-request']; query: never };
    'GET workers': { answer: Contract['worker-list']; request: undefined; query: never };
    'GET media': { answer: Contract['media-list']; request: undefined; query: 'search' | 'offset' };
    'GET cuts': { answer: Contract['cut-list']; request: undefined; query: 'search' | 'sort' | 'down' | 'cursor' };
    'POST cuts': { answer: Contract['cut-answer']; request: Contract['cut-request']; query: never };
    'DELETE cuts/{cut}': { answer: undefined; request: undefined; query: never };
    'POST cuts/{cut}/take-back': { answer: Contract['cut-answer']; request: undefined; query: never };
    'GET cuts/{cut}/poster': { answer: undefined; request: undefined; query: never };
    'GET cuts/{cut}/reading': { answer: Contract['reading-in-words']; request: undefined; query: never };
    'GET cuts/{cut}/places': { answer: Contract['place-list']; request: undefined; query: never };
    'POST cuts/{cut}/locate': { answer: Contract['cut-answer']; request: Contract['cut-request']; query: never };
    'POST cuts/{cut}/read-again': { answer: Contract['cut-answer']; request: undefined; query: never };
    'GET cuts/{cut}/analysis': { answer: Contract['cut-analysis']; request: undefined; query: never };
    'POST cuts/{cut}/analysis': { answer: Contract['cut-analysis']; request: undefined; query: never };
    'GET cuts/{cut}/curves': { answer: Contract['curves']; request: undefined; query: 'first' | 'last' | 'columns' };
    'GET cuts/{cut}/proxy': { answer: undefined; request: undefined; query: never };
    'GET cuts/{cut}/strip': { answer: undefined; request: undefined; query: never };
    'GET cuts/{cut}/frames/{frame}': { answer: undefined; request: undefined; query: 'large' };
    'GET cuts/{cut}/sheet': { answer: Contract['sheet']; request: undefined; query: never };
    'PUT cuts/{cut}/sheet': { answer: Contract['sheet']; request: Contract['sheet-request']; query: 'pack' | 'again' };
    'POST cuts/{cut}/sheet/wanted': { answer: Contract['sheet']; request: undefined; query: never };
    'GET cuts/{cut}/help/{cell}': { answer: Contract['row-help']; request: undefined; query: never };
    'POST plan': { answer: Contract['plan-list']; request: Contract['plan-request']; query: never };
    'OPTIONS uploads/{id}': { answer: undefined; request: undefined; query: never };
    'GET uploads/{id}': { answer: Contract['upload-answer']; request: undefined; query: never };
    'PATCH uploads/{id}': { answer: undefined; request: Blob; query: never };
    'DELETE uploads/{id}': { answer: undefined; request: undefined; query: never };
    'GET uploads': { answer: Contract['upload-list']; request: undefined; query: never };
    'POST uploads': { answer: undefined; request: undefined; query: never };
    'POST cuts/{cut}/pack': { answer: Contract['pack-answer']; request: Contract['pack-request'] | undefined; query: 'again' | 'only' };
    'POST packs': { answer: Contract['packs-answer']; request: Contract['packs-request']; query: never };
    'POST retention/preview': { answer: Contract['retention-preview']; request: Contract['retention-request']; query: never };
    'GET store': { answer: Contract['store']; request: undefined; query: 'cursor' };
    'GET store/derived': { answer: Contract['store-derived']; request: undefined; query: never };
    'POST store/clear': { answer: Contract['store']; request: Contract['store-clear-request']; query: never };
    'POST store/take-back': { answer: Contract['store']; request: undefined; query: never };
    'POST store/empty': { answer: Contract['store']; request: undefined; query: never };
    'POST store/derived/{what}': { answer: Contract['store-derived']; request: undefined; query: never };
    'GET watch-folders': { answer: Contract['watch-folders']; request: undefined; query: never };
    'POST watch-folders': { answer: Contract['watch-folders']; request: Contract['watch-folder-request']; query: never };
    'DELETE watch-folders/{folder}': { answer: Contract['watch-folders']; request: undefined; query: never };
    'GET cuts/{cut}/pieces': { answer: Contract['pieces-answer']; request: undefined; query: never };
    'PUT cuts/{cut}/pieces': { answer: Contract['pieces-answer']; request: Contract['pieces-request']; query: never };
    'GET packs/{pack}': { answer: Contract['pack']; request: undefined; query: never };
    'GET packs/{pack}/text': { answer: undefined; request: undefined; query: never };
    'POST packs/{pack}/hash-list': { answer: Contract['hash-list-answer']; request: undefined; query: never };
    'GET packs/{pack}/hash-list': { answer: Contract['hash-list-answer']; request: undefined; query: never };
    'GET cuts/{cut}/tests': { answer: Contract['transit-test-list']; request: undefined; query: never };
    'POST cuts/{cut}/tests': { answer: Contract['transit-test-answer']; request: Contract['transit-request']; query: never };
    'GET cuts/{cut}/tests/latest': { answer: Contract['transit-latest-answer']; request: undefined; query: 'size' | 'making' | 'sending' | 'quality' };
    'GET tests/{test}': { answer: Contract['transit-test-answer']; request: undefined; query: never };
    'POST tests/{test}/stop': { answer: Contract['transit-test-answer']; request: undefined; query: never };
    'GET tests/{test}/compare': { answer: Contract['comparison-view']; request: undefined; query: never };
    'GET tests/{test}/pictures/{source}/{frame}': { answer: undefined; request: undefined; query: never };
    'GET runs/{run}/compare': { answer: Contract['comparison-view']; request: undefined; query: never };
    'GET runs/{run}/pictures/{source}/{frame}': { answer: undefined; request: undefined; query: never };
    'GET tests/{test}/faults/{source}/{frame}': { answer: Contract['fault-map']; request: undefined; query: never };
    'GET runs/{run}/faults/{source}/{frame}': { answer: Contract['fault-map']; request: undefined; query: never };
    'GET files/compare': { answer: Contract['comparison-view']; request: undefined; query: 'file' };
    'GET files/pictures/{source}/{frame}': { answer: undefined; request: undefined; query: 'file' };
    'GET files/faults/{source}/{frame}': { answer: Contract['fault-map']; request: undefined; query: 'file' };
    'GET tests/{test}/csv': { answer: undefined; request: undefined; query: never };
    'GET tests/{test}/json': { answer: Contract['transit']; request: undefined; query: never };
    'GET deliveries': { answer: Contract['delivery-list']; request: undefined; query: 'cut' | 'search' | 'host' | 'preset' | 'from' | 'until' | 'before' };
    'GET deliveries/choices': { answer: Contract['delivery-choices']; request: undefined; query: never };
    'GET strip': { answer: Contract['strip']; request: undefined; query: never };
    'GET queue': { answer: Contract['queue']; request: undefined; query: never };
    'GET queue/changes': { answer: Contract['queue']; request: undefined; query: 'since' };
    'GET cuts/{cut}/runs': { answer: Contract['cut-runs']; request: undefined; query: never };
    'POST runs/clear': { answer: Contract['runs-clear-answer']; request: Contract['runs-clear-request']; query: never };
    'POST runs/{run}/stop': { answer: Contract['run-answer']; request: undefined; query: never };
    'POST runs/{run}/pause': { answer: Contract['run-answer']; request: undefined; query: never };
    'POST runs/{run}/continue': { answer: Contract['run-answer']; request: undefined; query: never };
    'POST runs/{run}/retry': { answer: Contract['run-answer']; request: undefined; query: never };
    'POST runs/{run}/recall': { answer: Contract['run-answer']; request: undefined; query: never };
    'POST runs/{run}/again': { answer: Contract['run-answer']; request: undefined; query: never };
    'GET runs/{run}/log': { answer: Contract['run-log']; request: undefined; query: 'text' };
    'PUT runs/{run}/place': { answer: Contract['run-answer']; request: Contract['run-move-request']; query: never };
    'PUT runs/{run}/sent': { answer: Contract['packed-run']; request: Contract['sent-request']; query: never };
    'GET runs/{run}/file': { answer: undefined; request: undefined; query: never };
    'GET dispatches': { answer: Contract['dispatch-list']; request: undefined; query: never };
    'POST dispatches': { answer: Contract['dispatch-answer']; request: Contract['dispatch-request']; query: never };
    'POST dispatches/check': { answer: Contract['dispatch-check-answer']; request: Contract['dispatch-request']; query: never };
    'PUT dispatches/{dispatch}/details': { answer: Contract['dispatch-answer']; request: Contract['details-request']; query: never };
    'POST dispatches/{dispatch}/templates': { answer: Contract['dispatch-answer']; request: Contract['template-request']; query: never };
    'POST dispatches/{dispatch}/fill/{template}': { answer: Contract['dispatch-answer']; request: undefined; query: never };
    'PUT dispatches/{dispatch}/captions': { answer: Contract['captions-answer']; request: Contract['captions-request']; query: never };
    'DELETE dispatches/{dispatch}/captions/{language}': { answer: Contract['dispatch-answer']; request: undefined; query: never };
    'PUT dispatches/{dispatch}/thumbnail': { answer: Contract['dispatch-answer']; request: Contract['thumbnail-request']; query: never };
    'GET dispatches/{dispatch}/thumbnail': { answer: undefined; request: undefined; query: never };
    'PUT dispatches/{dispatch}/picture': { answer: Contract['dispatch-answer']; request: Blob; query: never };
    'GET dispatches/{dispatch}/picture': { answer: undefined; request: undefined; query: never };
    'PUT dispatches/{dispatch}/release': { answer: Contract['dispatch-answer']; request: Contract['release-request']; query: never };
    'POST dispatches/{dispatch}/stop': { answer: Contract['dispatch-answer']; request: undefined; query: never };
    'POST dispatches/{dispatch}/pause': { answer: Contract['dispatch-answer']; request: undefined; query: never };
    'POST dispatches/{dispatch}/continue': { answer: Contract['dispatch-answer']; request: undefined; query: never };
    'PUT dispatches/{dispatch}/place': { answer: Contract['dispatch-answer']; request: Contract['run-move-request']; query: never };
    'POST dispatches/{dispatch}/look': { answer: Contract['dispatch-answer']; request: undefined; query: never };
    'POST dispatches/{dispatch}/bring-back': { answer: Contract['dispatch-answer']; request: undefined; query: never };
    'DELETE dispatches/{dispatch}': { answer: Contract['dispatch-answer']; request: undefined; query: never };
    'POST host-accounts': { answer: Contract['host-account-answer']; request: Contract['host-sign-in-request']; query: never };
    'DELETE host-accounts/{account}/token': { answer: Contract['host-account-answer']; request: undefined; query: never };
    'DELETE host-accounts/{account}': { answer: Contract['host-account-answer']; request: undefined; query: never };
    'PUT host-accounts/{account}/terms': { answer: Contract['host-account-answer']; request: undefined; query: never };
    'GET choices': { answer: Contract['choices']; request: undefined; query: never };
    'GET presets': { answer: Contract['preset-list']; request: undefined; query: never };
    'GET hosts': { answer: Contract['host-list']; request: undefined; query: never };
    'GET hosts/{host}/teachings': { answer: Contract['teaching-list']; request: undefined; query: never };
    'POST hosts/{host}/teachings': { answer: Contract['teaching-answer']; request: Contract['teaching-request']; query: never };
    'GET teachings/{teaching}': { answer: Contract['teaching-answer']; request: undefined; query: never };
    'POST teachings/{teaching}/stop': { answer: Contract['teaching-answer']; request: undefined; query: never };
    'POST teachings/{teaching}/save': { answer: Contract['library-item']; request: undefined; query: never };
    'GET cuts/{cut}/outputs/{output}/preset': { answer: Contract['saving-preview']; request: undefined; query: never };
    'POST library/preset': { answer: Contract['library-item']; request: Contract['preset-request']; query: never };
    'PUT library/preset/{preset}': { answer: Contract['library-item']; request: Contract['preset-request']; query: never };
    'PUT library/defaults': { answer: Contract['default-answer']; request: Contract['default-request']; query: never };
    'POST library/host': { answer: Contract['library-item']; request: Contract['host-request']; query: never };
    'POST library/host/table': { answer: Contract['table-answer']; request: Contract['table-request']; query: never };
    'PUT library/host/{host}': { answer: Contract['library-item']; request: Contract['host-request']; query: never };
    'GET library/export': { answer: undefined; request: undefined; query: 'presets' | 'hosts' };
    'POST library/import': { answer: Contract['import-answer']; request: Contract['import-request']; query: never };
    'GET library/{kind}/{slug}': { answer: Contract['library-item']; request: undefined; query: never };
    'DELETE library/{kind}/{slug}': { answer: undefined; request: undefined; query: never };
    'POST library/{kind}/{slug}/restore': { answer: Contract['library-item']; request: undefined; query: never };
    'PUT library/{kind}/{slug}/favourite': { answer: undefined; request: Contract['favourite-request']; query: never };
    'POST library/{kind}/{slug}/versions/{version}': { answer: Contract['library-item']; request: undefined; query: never };
    'GET library/{kind}/{slug}/compare/{from}/{to}': { answer: Contract['comparison']; request: undefined; query: never };
}
