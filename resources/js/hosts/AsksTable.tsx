import { useChoices } from '../api/queries';
import { at, type Json, type Path, put } from './draft';
import { Place } from './Place';

interface Props {
    file: Json;
    change: ((file: Json) => void) | null;
    fields: readonly AskField[];
    label: string;
}

interface AskField {
    label: string;
    path: Path;
    kind: 'text' | 'number' | 'switch' | 'list';
    unit?: string;
    /** What one of the unit is in the file. */
    times?: number;
    placeholder?: string;
    choices?: 'audio' | readonly string[];
}

/** What a host asks beside its rates, in the order of the sheet. */
export const asked: readonly AskField[] = [
    { label: 'Containers', path: ['asks', 'containers'], kind: 'list', placeholder: 'mp4, mov' },
    { label: 'Fast start', path: ['asks', 'fastStart'], kind: 'switch' },
    { label: 'Shape', path: ['asks', 'shape'], kind: 'text', placeholder: '16:9' },
    { label: 'Frame at most', path: ['asks', 'limits', 'frame'], kind: 'text', placeholder: '3840×2160' },
    { label: '360 pieces', path: ['asks', 'projection'], kind: 'text', choices: ['equirectangular'] },
    { label: 'Frame rate at least', path: ['asks', 'minimumFrameRate'], kind: 'text', unit: 'fps', placeholder: '24' },
    { label: 'Frame rates', path: ['asks', 'frameRates'], kind: 'list', placeholder: '25, 30, 50' },
    { label: 'Keyframe every', path: ['asks', 'keyframes', 'seconds'], kind: 'number', unit: 's' },
    { label: 'Closed GOP', path: ['asks', 'keyframes', 'closed'], kind: 'switch' },
    { label: 'B-frames at most', path: ['asks', 'keyframes', 'bFrames'], kind: 'number', unit: 'in a row' },
    { label: 'Pyramid', path: ['asks', 'keyframes', 'pyramid'], kind: 'switch' },
    { label: 'Chroma', path: ['asks', 'chroma'], kind: 'text', choices: ['4:2:0', '4:2:2', '4:4:4'] },
    { label: 'Longest', path: ['asks', 'limits', 'seconds'], kind: 'number', unit: 'min', times: 60 },
    { label: 'Largest', path: ['asks', 'limits', 'bytes'], kind: 'number', unit: 'GB', times: 1e9 },
];

const audioAt = (path: Path): readonly AskField[] => [
    { label: 'Audio codec', path: [...path, 'codec'], kind: 'text', choices: 'audio' },
    { label: 'Audio bitrate', path: [...path, 'kbps'], kind: 'number', unit: 'kb/s' },
    { label: 'Sample rate', path: [...path, 'sampleRate'], kind: 'number', unit: 'Hz' },
    { label: 'Channels', path: [...path, 'channels'], kind: 'number' },
    { label: 'Loudness', path: [...path, 'loudness'], kind: 'number', unit: 'LUFS' },
];

export const askedAudio = audioAt(['asks', 'audio']);
export const madeAudio = audioAt(['recompression', 'audio']);

const numberFault = (text: string) =>
    text.trim() === '' || /^[-−]?\d+([.,]\d+)?$/.test(text.trim()) ? null : 'Write a number.';

/** Named values of a host, each edited where it stands. */
export function AsksTable({ file, change, fields, label }: Props) {
    const audio = useAudioCodecs();
    const shown = fields.filter((field) => change !== null || at(file, field.path) !== undefined);
    if (shown.length === 0) {
        return <p className="py-1 text-soft">Nothing is known.</p>;
    }
    return (
        <table className="w-full table-fixed border-t border-line" aria-label={label}>
            <colgroup>
                <col style={{ width: 132 }} />
            </colgroup>
            <tbody>
                {shown.map((field) => {
                    const value = at(file, field.path);
                    const set = (next: Json | undefined) => change?.(put(file, field.path, next) ?? {});
                    return (
                        <tr key={field.label} className="border-b border-line">
                            <th scope="row" className="py-[3px] text-soft">
                                {field.label}
                            </th>
                            <td className="py-[3px]">
                                {field.kind === 'switch' && change !== null ? (
                                    <Place
                                        label={field.label}
                                        value={value === true ? 'yes' : value === false ? 'no' : ''}
                                        choices={['yes', 'no']}
                                        placeholder="not said"
                                        change={(text) => set(text === '' ? undefined : text === 'yes')}
                                    />
                                ) : (
                                    <span className="flex items-baseline gap-1.5">
                                        <span className={change === null ? '' : 'min-w-0 flex-1'}>
                                            <Place
                                                label={field.label}
                                                value={shownAs(value, field.times)}
                                                placeholder={
                                                    field.placeholder ?? (change === null ? undefined : 'not said')
                                                }
                                                choices={field.choices === 'audio' ? audio : field.choices}
                                                fault={field.kind === 'number' ? numberFault : undefined}
                                                change={change && ((text) => set(read(text, field)))}
                                            />
                                        </span>
                                        {field.unit !== undefined && (
                                            <span className="flex-none text-soft">{field.unit}</span>
                                        )}
                                    </span>
                                )}
                            </td>
                        </tr>
                    );
                })}
            </tbody>
        </table>
    );
}

function shownAs(value: Json | undefined, times = 1): string {
    if (typeof value === 'number') {
        return String(value / times);
    }
    if (Array.isArray(value)) {
        return value.join(', ');
    }
    return value === true ? 'yes' : value === false ? 'no' : value === undefined || value === null ? '' : String(value);
}

function read(text: string, { kind, times }: AskField): Json | undefined {
    const plain = text.trim().replaceAll('−', '-');
    if (plain === '') {
        return undefined;
    }
    if (kind === 'number') {
        const figure = Number(plain.replace(',', '.'));
        return times === undefined ? figure : Math.round(figure * times);
    }
    return kind === 'list'
        ? plain
              .split(/[\s,]+/)
              .filter((part) => part !== '')
              .map((part) => part.toLowerCase())
        : plain;
}

/** Audio codecs that can be made here. */
function useAudioCodecs(): string[] {
    const choices = useChoices().data?.cells.find(({ name }) => name === 'audio')?.choices ?? [];
    const ids = choices.flatMap(({ rule }) =>
        typeof rule === 'object' && rule !== null && 'codec' in rule ? [String(rule.codec)] : [],
    );
    return [...new Set(ids)];
}
