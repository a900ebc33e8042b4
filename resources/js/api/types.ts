/* Generated from resources/schema by generate-types.mjs. Do not edit. */

export interface Contract {
    choices: Choices;
    'cut-answer': CutAnswer;
    'cut-list': CutList;
    'cut-request': CutRequest;
    cut: Cut;
    edits: Edits;
    error: ErrorAnswer;
    finding: Finding;
    'host-list': HostList;
    host: HostFile;
    'machine-request': MachineRequest;
    machine: Machine;
    'media-list': MediaList;
    'pack-answer': PackAnswer;
    'pack-command': PackCommand;
    pack: Pack;
    'packed-run': PackedRun;
    'plan-list': PlanList;
    'plan-request': PlanRequest;
    plan: Plan;
    'preset-list': PresetList;
    preset: PresetFile;
    reading: Reading;
    rules: Rules;
    'run-answer': RunAnswer;
    'run-list': RunList;
    run: Run;
    'sheet-request': SheetRequest;
    sheet: Sheet;
    slip: Slip;
}
/**
 * Answer of GET /api/choices: what the cells' editors offer.
 */
export interface Choices {
    cells: {
        container: {
            label: string;
            about: string;
            rule:
                | 'host'
                | {
                      set?: string;
                      fastStart?: boolean;
                  };
        }[];
        picture: {
            label: string;
            about: string;
            rule:
                | 'host'
                | {
                      codec?: string;
                      profile?: string;
                      effort?: 'fast' | 'medium' | 'slow';
                  };
        }[];
        frameSize: {
            label: string;
            about: string;
            rule:
                | {
                      /**
                       * stored: the cut's own pixels. displayed: square pixels, upright.
                       */
                      follow: 'stored' | 'displayed';
                  }
                | {
                      /**
                       * Inside these bounds, never enlarged.
                       */
                      fit: string;
                  }
                | {
                      /**
                       * This frame, the picture fitted in and padded.
                       */
                      exact: string;
                  };
        }[];
        frameRate: {
            label: string;
            about: string;
            rule:
                | 'follow'
                | {
                      /**
                       * 25, 30000/1001, 29.97
                       */
                      exact: string;
                  };
        }[];
        keyframes: {
            label: string;
            about: string;
            rule:
                | ('host' | 'intra')
                | {
                      seconds?: number;
                      closed?: boolean;
                      bFrames?: number;
                      pyramid?: boolean;
                  };
        }[];
        sound: {
            label: string;
            about: string;
            rule:
                | ('follow' | 'host' | 'none')
                | {
                      codec?: string;
                      kbps?: number;
                      sampleRate?: number;
                      channels?: number;
                      bitDepth?: 16 | 24;
                  };
        }[];
    };
    rateModes: {
        [k: string]: ('quality' | 'cbr' | 'vbr' | 'codec' | 'lossless')[];
    };
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
    container: string;
    picture: string;
    width: number;
    height: number;
    displayWidth: number;
    displayHeight: number;
    frameRate: string;
    frameRateLabel: string;
    scan: 'progressive' | 'tff' | 'bff';
    colour: string;
    hdr: boolean;
    sound: string;
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
    pixels: string;
    rate: string;
    bitrateLabel: string;
}
/**
 * Answer of GET /api/cuts.
 */
export interface CutList {
    cuts: Cut[];
}
/**
 * Body of POST /api/cuts.
 */
export interface CutRequest {
    path: string;
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
                    set?: string;
                    fastStart?: boolean;
                }
          );
    picture?:
        | null
        | (
              | 'host'
              | {
                    codec?: string;
                    profile?: string;
                    effort?: 'fast' | 'medium' | 'slow';
                }
          );
    frameSize?:
        | null
        | (
              | {
                    /**
                     * stored: the cut's own pixels. displayed: square pixels, upright.
                     */
                    follow: 'stored' | 'displayed';
                }
              | {
                    /**
                     * Inside these bounds, never enlarged.
                     */
                    fit: string;
                }
              | {
                    /**
                     * This frame, the picture fitted in and padded.
                     */
                    exact: string;
                }
          );
    frameRate?:
        | null
        | (
              | 'follow'
              | {
                    /**
                     * 25, 30000/1001, 29.97
                     */
                    exact: string;
                }
          );
    rate?: null | Rate;
    keyframes?:
        | null
        | (
              | ('host' | 'intra')
              | {
                    seconds?: number;
                    closed?: boolean;
                    bFrames?: number;
                    pyramid?: boolean;
                }
          );
    colour?:
        | null
        | (
              | ('follow' | 'host')
              | {
                    bitDepth?: 8 | 10 | 12 | 16;
                    chroma?: '4:2:0' | '4:2:2' | '4:4:4';
                }
          );
    sound?:
        | null
        | (
              | ('follow' | 'host' | 'none')
              | {
                    codec?: string;
                    kbps?: number;
                    sampleRate?: number;
                    channels?: number;
                    bitDepth?: 16 | 24;
                }
          );
}
export interface Rate {
    mode?: 'quality' | 'cbr' | 'vbr' | 'codec' | 'lossless';
    passes?: 1 | 2;
    average?:
        | {
              /**
               * Kilobits per second.
               */
              kbps: number;
          }
        | {
              /**
               * The host's ask times this.
               */
              timesAsk: number;
          };
    peak?:
        | 'host'
        | {
              /**
               * Kilobits per second.
               */
              kbps: number;
          }
        | {
              /**
               * The average times this.
               */
              timesAverage: number;
          };
    quality?: number;
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
    };
}
/**
 * Something the checks noticed.
 */
export interface Finding {
    id: string;
    severity: 'stop' | 'caution' | 'note';
    cell: 'container' | 'picture' | 'frameSize' | 'frameRate' | 'rate' | 'keyframes' | 'colour' | 'sound';
    text: string;
    remedy: null | {
        text: string;
        patch: Edits;
    };
}
/**
 * Answer of GET /api/hosts.
 */
export interface HostList {
    hosts: {
        slug: string;
        name: string;
        about: string;
        recompression: string;
        asks: {
            label: string;
            text: string;
        }[];
        highRateAbove: string;
        rates: {
            shorterSide: number;
            normal: string;
            high: string;
            peak: string | null;
        }[];
    }[];
}
/**
 * A host: what it asks of an upload.
 */
export interface HostFile {
    format: 'outer-crate/host';
    version: 1;
    name: string;
    about?: string;
    recompression?: string;
    asks: {
        containers?: string[];
        fastStart?: boolean;
        codecs?: {
            codec: string;
            profile?: string;
            aboveWidth?: number;
        }[];
        chroma?: '4:2:0' | '4:2:2' | '4:4:4';
        rates?: {
            shorterSide: number;
            kbps: number;
            highKbps?: number;
            peakKbps?: number;
        }[];
        highRateAbove?: string;
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
        sound?: {
            codec: string;
            kbps: number;
            sampleRate?: number;
            channels?: number;
            loudness?: number;
        };
        limits?: {
            seconds?: number;
            bytes?: number;
            frame?: string;
        };
    };
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
    deliveries: string;
    lineSpeed: number;
    lineSpeedLabel: string;
}
/**
 * Answer of GET /api/media.
 */
export interface MediaList {
    folders: string[];
    files: {
        path: string;
        name: string;
        bytes: number;
        bytesLabel: string;
        modified: string;
        video: boolean;
        cut: number | null;
    }[];
}
/**
 * Answer of POST /api/cuts/{cut}/pack.
 */
export interface PackAnswer {
    pack: string;
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
    role: 'master' | 'upload' | 'review' | 'device' | 'stills' | 'sound';
    host: string | null;
    hostName: string | null;
    edits: Edits;
    values: {
        container: {
            label: string;
            id: string;
            fastStart: boolean;
        };
        picture: {
            label: string;
            codec: string;
            profile: string | null;
            level: string | null;
            effort: string;
        };
        frameSize: {
            label: string;
            width: number;
            height: number;
            pictureWidth: number;
            pictureHeight: number;
            sampleAspect: string;
        };
        frameRate: {
            label: string;
            rate: string;
            scan: 'progressive' | 'tff' | 'bff';
            deinterlace: boolean;
            convert: boolean;
        };
        rate: {
            label: string;
            mode: 'quality' | 'cbr' | 'vbr' | 'codec' | 'lossless';
            passes: number;
            average: number | null;
            peak: number | null;
            quality: number | null;
        };
        keyframes: {
            label: string;
            frames: number;
            seconds: string;
            closed: boolean;
            bFrames: number;
            pyramid: boolean;
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
        };
        sound: {
            label: string;
            codec: string | null;
            bitrate: number | null;
            sampleRate: number | null;
            channels: number | null;
            bitDepth: number | null;
        };
    };
    origins: {
        container: {
            from: 'cut' | 'preset' | 'host' | 'rule' | 'you';
            text: string;
        };
        picture: {
            from: 'cut' | 'preset' | 'host' | 'rule' | 'you';
            text: string;
        };
        frameSize: {
            from: 'cut' | 'preset' | 'host' | 'rule' | 'you';
            text: string;
        };
        frameRate: {
            from: 'cut' | 'preset' | 'host' | 'rule' | 'you';
            text: string;
        };
        rate: {
            from: 'cut' | 'preset' | 'host' | 'rule' | 'you';
            text: string;
        };
        keyframes: {
            from: 'cut' | 'preset' | 'host' | 'rule' | 'you';
            text: string;
        };
        colour: {
            from: 'cut' | 'preset' | 'host' | 'rule' | 'you';
            text: string;
        };
        sound: {
            from: 'cut' | 'preset' | 'host' | 'rule' | 'you';
            text: string;
        };
    };
    frames: number;
    duration: string;
    findings: Finding[];
    estimate: {
        bytes: number;
        bytesLabel: string;
        marginPercent: number;
        basis: 'rate' | 'codec' | 'cut' | 'content';
        seconds: number;
        secondsLabel: string;
        sendSeconds: number | null;
        sendLabel: string | null;
    };
    /**
     * What the host asks for this picture, in bits per second.
     */
    askedAverage: number | null;
    /**
     * The average spread over every pixel of every frame.
     */
    bitsPerPixel: number | null;
}
/**
 * What came out of a run.
 */
export interface Slip {
    bytes: number;
    bytesLabel: string;
    sha256: string;
    duration: string;
    durationLabel: string;
    frames: number;
    rates: {
        video: number;
        videoLabel: string;
        audio: number | null;
        audioLabel: string | null;
        peakSecond: number;
        peakSecondLabel: string;
    };
    keyframes: {
        count: number;
        longestGap: number;
    };
    reading: Reading;
    differences: {
        cell: 'container' | 'picture' | 'frameSize' | 'frameRate' | 'rate' | 'keyframes' | 'colour' | 'sound';
        planned: string;
        found: string;
        text: string;
    }[];
    madeIn: number;
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
    video: {
        codec: string;
        codecName: string;
        profile: string | null;
        level: number | null;
        label: string;
        width: number;
        height: number;
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
        variableRate: boolean;
        scan: 'progressive' | 'tff' | 'bff';
        bitDepth: number;
        chroma: string;
        alpha: boolean;
        colour: {
            primaries: string | null;
            transfer: string | null;
            matrix: string | null;
            range: 'limited' | 'full';
            label: string;
        };
        hdr: boolean;
        projection: string | null;
        frames: number;
        bitrate: number;
    }[];
    audio: {
        codec: string;
        codecName: string;
        label: string;
        sampleRate: number;
        channels: number;
        layout: string | null;
        bitDepth: number | null;
        bitrate: number | null;
        language: string | null;
    }[];
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
 * A run with its frozen plan and its slip.
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
}
/**
 * Answer of POST /api/plan; printed by `bin/crate plan --json`.
 */
export interface PlanList {
    outputs: Plan[];
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
    }[];
}
/**
 * Answer of GET /api/presets.
 */
export interface PresetList {
    presets: {
        slug: string;
        name: string;
        role: 'master' | 'upload' | 'review' | 'device' | 'stills' | 'sound';
        host: string | null;
        about: string;
        rules: Rules;
    }[];
}
/**
 * Rules by cell, as presets and edits say them. A word, or named values.
 */
export interface Rules {
    container?:
        | 'host'
        | {
              set?: string;
              fastStart?: boolean;
          };
    picture?:
        | 'host'
        | {
              codec?: string;
              profile?: string;
              effort?: 'fast' | 'medium' | 'slow';
          };
    frameSize?:
        | {
              /**
               * stored: the cut's own pixels. displayed: square pixels, upright.
               */
              follow: 'stored' | 'displayed';
          }
        | {
              /**
               * Inside these bounds, never enlarged.
               */
              fit: string;
          }
        | {
              /**
               * This frame, the picture fitted in and padded.
               */
              exact: string;
          };
    frameRate?:
        | 'follow'
        | {
              /**
               * 25, 30000/1001, 29.97
               */
              exact: string;
          };
    rate?: Rate;
    keyframes?:
        | ('host' | 'intra')
        | {
              seconds?: number;
              closed?: boolean;
              bFrames?: number;
              pyramid?: boolean;
          };
    colour?:
        | ('follow' | 'host')
        | {
              bitDepth?: 8 | 10 | 12 | 16;
              chroma?: '4:2:0' | '4:2:2' | '4:4:4';
          };
    sound?:
        | ('follow' | 'host' | 'none')
        | {
              codec?: string;
              kbps?: number;
              sampleRate?: number;
              channels?: number;
              bitDepth?: 16 | 24;
          };
}
/**
 * A preset: saved rules for an output.
 */
export interface PresetFile {
    format: 'outer-crate/preset';
    version: 1;
    name: string;
    role: 'master' | 'upload' | 'review' | 'device' | 'stills' | 'sound';
    /**
     * Slug of the host it was made for.
     */
    host?: string;
    about?: string;
    rules: Rules;
}
/**
 * Answer of POST /api/runs/{run}/stop.
 */
export interface RunAnswer {
    run: Run;
}
/**
 * Answer of GET /api/runs.
 */
export interface RunList {
    runs: Run[];
}
/**
 * Body of PUT /api/cuts/{cut}/sheet.
 */
export interface SheetRequest {
    /**
     * @maxItems 40
     */
    outputs: {
        key: string;
        preset: string;
        host: string | null;
        edits: Edits;
    }[];
}
/**
 * Answer of GET and PUT /api/cuts/{cut}/sheet.
 */
export interface Sheet {
    cut: Cut;
    /**
     * The file is no longer the one that was read.
     */
    changed: boolean;
    outputs: {
        key: string;
        plan: Plan;
    }[];
    recap: string;
    stopped: boolean;
}
