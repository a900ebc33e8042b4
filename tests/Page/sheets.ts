import type { Cut, Plan, Sheet } from '../../resources/js/api/types';
import type { Output } from '../../resources/js/sheet/outputs';
import type { Cell } from '../../resources/js/sheet/rows';

/** Made-up answers of the server, with as much in them as a test looks at. */
export const column = (key: string, edits: Output['edits'] = {}): Output => ({
    key,
    preset: 'review-720',
    host: null,
    edits,
    range: null,
});

export function planOf(parts: Record<string, unknown> = {}): Plan {
    return {
        preset: 'review-720',
        presetName: 'Review 720',
        host: null,
        hostName: null,
        edits: {},
        rules: { bitrate: { mode: 'quality', quality: 24 } },
        fixed: [],
        origins: {},
        asks: {},
        findings: [],
        askedAverage: null,
        bitrateRow: null,
        bitsPerPixel: 0.1,
        estimate: { sampling: false, bytesLabel: '3 MB' },
        values: {
            video: { label: 'H.264 High', codec: 'h264' },
            bitrate: {
                label: 'Quality 24',
                mode: 'quality',
                passes: 1,
                average: null,
                peak: null,
                quality: 24,
                target: null,
            },
            keyframes: { label: '2 s', frames: 50, seconds: '2' },
            audio: { label: 'AAC', loudness: -15.5, tracks: 'all', quiet: true, name: '' },
            colour: { label: 'BT.709', gamma: 1 },
            file: { label: 'Plain review.mp4' },
        },
        ...parts,
    } as unknown as Plan;
}

export function sheetOf(outputs: Output[], range: { first: number; last: number } | null = null): Sheet {
    return {
        cut: { id: 7, name: 'Plain' } as Cut,
        version: 1,
        told: [],
        range: { first: range?.first ?? 0, last: range?.last ?? 49, set: range !== null },
        noticed: [],
        outputs: outputs.map((output) => ({
            key: output.key,
            range: { first: 0, last: 49, own: output.range !== null, ...output.range },
            plan: planOf({ preset: output.preset, host: output.host, edits: output.edits }),
        })),
        recap: '',
        stopped: false,
    } as unknown as Sheet;
}

export const part = (key: string, kind: string, more: Record<string, unknown> = {}): Cell['parts'][number] =>
    ({
        key,
        label: key,
        kind,
        options: [],
        unit: '',
        least: null,
        most: null,
        step: null,
        about: '',
        ...more,
    }) as Cell['parts'][number];

export const cellOf = (name: string, parts: Cell['parts'] = [], choices: Cell['choices'] = []): Cell => ({
    name,
    label: name,
    choices,
    parts,
    beside: [],
});
