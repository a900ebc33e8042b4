import { useChoices } from '../api/queries';
import { Button } from '../ui/Button';
import { readRate, writeRate } from '../ui/rate';
import { at, type Json, type Path, put, rows, without } from './draft';
import { LeaveOut } from './LeaveOut';
import { Place } from './Place';

interface Props {
    file: Json;
    change: ((file: Json) => void) | null;
}

const path = ['recompression', 'tiers'];

const quality = /^q(?:uality)?\s*(\d+)$/i;

const bitsFault = (text: string) =>
    quality.test(text.trim()) || readRate(text) !== null ? null : 'A rate such as 2.8, or a quality such as q23.';

/** What a host makes of an upload: tiers, each with who gets into it and its renditions. */
export function Tiers({ file, change }: Props) {
    const list = rows(file, path);
    const set = (next: Json | undefined) => change?.(next ?? {});
    const tier = (name: string) => ({
        name,
        ladder: [{ shorterSide: 1080, codec: 'h264', kbps: 2_800, keyframeSeconds: 5, speed: 'fast' }],
    });
    return (
        <div>
            {list.length === 0 && (
                <p className="py-1 text-soft">
                    What it does to an upload is not known{change === null ? '.' : ': add a tier.'}
                </p>
            )}
            {list.map((_, index) => (
                <Tier
                    // biome-ignore lint/suspicious/noArrayIndexKey: items have no identity but their position
                    key={index}
                    file={file}
                    at={[...path, index]}
                    last={index === list.length - 1}
                    change={change}
                    remove={() =>
                        set(
                            list.length === 1
                                ? put(file, ['recompression'], undefined)
                                : put(file, path, without(list, index)),
                        )
                    }
                />
            ))}
            {change !== null && (
                <Button
                    className="mt-1.5 h-6"
                    // The last tier takes every upload: a new one stands before it.
                    onClick={() =>
                        set(
                            put(
                                file,
                                path,
                                list.length === 0
                                    ? [tier('every upload')]
                                    : [
                                          ...list.slice(0, -1),
                                          { ...tier('finer'), when: [{ shorterSide: 1440 }] },
                                          list[list.length - 1] as Json,
                                      ],
                            ),
                        )
                    }
                >
                    Add a tier
                </Button>
            )}
        </div>
    );
}

interface TierProps extends Props {
    at: Path;
    last: boolean;
    remove: () => void;
}

function Tier({ file, at: place, last, change, remove }: TierProps) {
    const known = useChoices().data?.codecs ?? {};
    const codecs = Object.keys(known);
    const ladder = rows(file, [...place, 'ladder']);
    const name = String(at(file, [...place, 'name']) ?? '');
    const set = (next: Json | undefined) => change?.(next ?? {});
    const text = (row: number, field: string) => String(at(file, [...place, 'ladder', row, field]) ?? '');
    const bits = (row: number) => {
        const kbps = at(file, [...place, 'ladder', row, 'kbps']);
        return typeof kbps === 'number'
            ? writeRate(kbps)
            : text(row, 'quality') === ''
              ? ''
              : `q${text(row, 'quality')}`;
    };
    const field = (row: number, key: string, value: Json | undefined) =>
        set(put(file, [...place, 'ladder', row, key], value));
    return (
        <div className="mb-3 border-t border-line pt-1">
            <div className="flex items-center gap-2">
                <span className="w-[120px] font-medium">
                    <Place
                        label="Name of the tier"
                        value={name}
                        change={change && ((value) => set(put(file, [...place, 'name'], value)))}
                    />
                </span>
                <When file={file} at={[...place, 'when']} change={change} last={last} />
                {change !== null && <LeaveOut label={`the tier ${name}`} onClick={remove} />}
            </div>
            <table className="mt-1 w-full table-fixed" aria-label={`Renditions of the tier ${name}`}>
                <thead className="text-soft">
                    <tr className="border-b border-line">
                        {['Lines', 'Codec', 'Mb/s', 'GOP, s', 'Speed'].map((label) => (
                            <th key={label} scope="col" className="pr-2">
                                {label}
                            </th>
                        ))}
                        {change !== null && <td className="w-6" />}
                    </tr>
                </thead>
                <tbody>
                    {ladder.map((_, row) => (
                        // biome-ignore lint/suspicious/noArrayIndexKey: items have no identity but their position
                        <tr key={row} className="border-b border-line align-top">
                            <td className="py-[3px] pr-2">
                                <Place
                                    label={`Lines of rendition ${row + 1} of ${name}`}
                                    value={text(row, 'shorterSide')}
                                    fault={(value) => (/^\d{2,5}$/.test(value.trim()) ? null : 'A whole number.')}
                                    change={change && ((value) => field(row, 'shorterSide', Number(value)))}
                                />
                            </td>
                            <td className="py-[3px] pr-2">
                                <Place
                                    label={`Video codec of rendition ${row + 1} of ${name}`}
                                    value={text(row, 'codec')}
                                    choices={codecs}
                                    called={(id) => known[id]?.name ?? id}
                                    change={change && ((value) => field(row, 'codec', value))}
                                />
                            </td>
                            <td className="py-[3px] pr-2">
                                <Place
                                    label={`Bitrate of rendition ${row + 1} of ${name}, in Mb/s`}
                                    value={bits(row)}
                                    fault={bitsFault}
                                    change={
                                        change &&
                                        ((value) => {
                                            const asQuality = value.trim().match(quality)?.[1];
                                            const next = put(
                                                file,
                                                [...place, 'ladder', row, 'quality'],
                                                asQuality === undefined ? undefined : Number(asQuality),
                                            );
                                            set(
                                                put(
                                                    next,
                                                    [...place, 'ladder', row, 'kbps'],
                                                    asQuality === undefined ? readRate(value)?.kbps : undefined,
                                                ),
                                            );
                                        })
                                    }
                                />
                            </td>
                            <td className="py-[3px] pr-2">
                                <Place
                                    label={`Seconds between keyframes of rendition ${row + 1} of ${name}`}
                                    value={text(row, 'keyframeSeconds')}
                                    placeholder="2"
                                    fault={(value) =>
                                        value === '' || Number(value.replace(',', '.')) > 0 ? null : 'Seconds above 0.'
                                    }
                                    change={
                                        change &&
                                        ((value) =>
                                            field(
                                                row,
                                                'keyframeSeconds',
                                                value === '' ? undefined : Number(value.replace(',', '.')),
                                            ))
                                    }
                                />
                            </td>
                            <td className="py-[3px] pr-2">
                                <Place
                                    label={`Speed of rendition ${row + 1} of ${name}`}
                                    value={text(row, 'speed')}
                                    choices={['fast', 'medium', 'slow']}
                                    change={change && ((value) => field(row, 'speed', value || undefined))}
                                />
                            </td>
                            {change !== null && (
                                <td>
                                    <LeaveOut
                                        label={`rendition ${row + 1} of ${name}`}
                                        stays={
                                            ladder.length === 1 ? 'A tier needs a rendition; leave the tier out' : null
                                        }
                                        onClick={() => set(put(file, [...place, 'ladder'], without(ladder, row)))}
                                    />
                                </td>
                            )}
                        </tr>
                    ))}
                </tbody>
            </table>
            {change !== null && (
                <Button
                    kind="quiet"
                    className="mt-0.5 h-6"
                    onClick={() =>
                        set(
                            put(file, [...place, 'ladder', ladder.length], {
                                ...(ladder[ladder.length - 1] as { [key: string]: Json }),
                                shorterSide: Math.max(
                                    16,
                                    Math.round(Number(text(ladder.length - 1, 'shorterSide')) / 1.5),
                                ),
                            }),
                        )
                    }
                >
                    Add a rendition
                </Button>
            )}
        </div>
    );
}

/** Who gets into a tier: any of a few conditions; the last tier takes every upload. */
function When({ file, at: place, change, last }: Props & { at: Path; last: boolean }) {
    const list = rows(file, place);
    if (last) {
        return <span className="text-soft">{list.length === 0 ? 'takes the rest' : 'must take every upload'}</span>;
    }
    const of = (key: string) => list.map((condition) => at(condition, [key])).find((value) => value !== undefined);
    const set = (lines: string, above: string) => {
        const conditions: Json[] = [
            ...(lines.trim() === '' ? [] : [{ shorterSide: Number(lines) }]),
            ...(above.trim() === '' ? [] : [{ frameRateAbove: above.trim() }]),
            ...list.filter((condition) => at(condition, ['hdr']) !== undefined),
        ];
        change?.(put(file, place, conditions) ?? {});
    };
    const [lines, above] = [String(of('shorterSide') ?? ''), String(of('frameRateAbove') ?? '')];
    return (
        <span className="flex items-center gap-1.5 text-soft">
            from
            <span className={change === null ? '' : 'w-14'}>
                <Place
                    label="Lines from which on an upload gets into it"
                    value={lines}
                    fault={(value) => (/^\d{0,5}$/.test(value.trim()) ? null : 'A number of lines.')}
                    change={change && ((value) => set(value, above))}
                />
            </span>
            lines, or above
            <span className={change === null ? '' : 'w-12'}>
                <Place
                    label="Frames a second above which an upload gets into it"
                    value={above}
                    change={change && ((value) => set(lines, value))}
                />
            </span>
            fps
        </span>
    );
}
