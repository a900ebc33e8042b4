import { useQuery } from '@tanstack/react-query';
import { useEffect, useState } from 'react';
import { Link, useParams, useSearchParams } from 'react-router';
import { api } from '../api/client';
import { keys } from '../api/keys';
import type { ComparisonView } from '../api/types';
import { Figures } from '../ui/Figures';
import { Failed, Loading } from '../ui/States';
import { useTitle } from '../ui/useTitle';
import { FaultLegend } from './FaultLegend';
import { Pane, type Place } from './Pane';
import { Scope } from './Scope';
import { TimeStrip } from './TimeStrip';
import { useCompareKeys } from './useCompareKeys';
import { useFaults, useNames } from './useFaults';
import { usePicture } from './usePicture';

type Way = 'wipe' | 'side' | 'difference';

const ZOOMS = [0, 1, 2, 4, 8];
const LIFTS = [1, 2, 4];
const GAINS = [4, 8, 16];

const next = <T,>(list: readonly T[], now: T): T => list[(list.indexOf(now) + 1) % list.length] as T;

/** Two files of the same picture: what one lost of the other is seen and not only measured. */
export default function ComparePage() {
    const { of, id } = useParams();
    const [search] = useSearchParams();
    // Files that are no cut's are named in the address.
    const named = new URLSearchParams(search.getAll('file').map((file): [string, string] => ['file[]', file]));
    const files = of === 'files' ? `?${named}` : '';
    const place = of === 'files' ? 'files' : `${of === 'runs' ? 'runs' : 'tests'}/${Number(id)}`;
    const query = useQuery({ queryKey: keys.compared(place, files), queryFn: () => api.compare(place, files) });
    useTitle(query.data === undefined ? undefined : `Compare ${query.data.name}`);
    if (query.error) {
        return <Failed error={query.error} retry={() => query.refetch()} />;
    }
    if (query.data === undefined) {
        return <Loading what="the pictures" />;
    }
    return <Compare view={query.data} at={place} files={files} />;
}

interface CompareProps {
    view: ComparisonView;
    /** What is compared, such as `tests/7`. */
    at: string;
    files: string;
}

function Compare({ view, at: base, files }: CompareProps) {
    const [search, setSearch] = useSearchParams();
    const source = (name: string, other: number) =>
        view.sources.find(({ id }) => id === search.get(name)) ?? view.sources[other] ?? view.sources[0];
    const [a, b] = [source('a', 0), source('b', files === '' ? view.sources.length - 1 : 1)];
    const third = view.sources.find(({ id }) => id === search.get('c'));
    const [frame, setFrame] = useState(0);
    const [way, setWay] = useState<Way>('wipe');
    const [place, setPlace] = useState<Place>({ zoom: 0, x: 0.5, y: 0.5 });
    const [wipe, setWipe] = useState(0.5);
    const [flicker, setFlicker] = useState(false);
    const [lift, setLift] = useState(1);
    const [gain, setGain] = useState(8);
    const [overlay, setOverlay] = useState(false);
    const [scopes, setScopes] = useState<'none' | 'histogram' | 'waveform'>('none');
    const [plays, setPlays] = useState(false);
    const [grabbed, setGrabbed] = useState<'wipe' | 'pan' | null>(null);

    const seek = (to: number) => setFrame(Math.max(0, Math.min(view.frames - 1, to)));
    const address = (one: typeof a, at: number) =>
        one?.here && at >= 0 && at < view.frames ? `/api/${base}/pictures/${one.id}/${at}${files}` : null;
    const soon = (one: typeof a) => [frame + 1, frame - 1].flatMap((at) => address(one, at) ?? []);
    const left = usePicture(address(a, frame), soon(a));
    const right = usePicture(address(b, frame), soon(b));
    const middle = usePicture(
        third === undefined ? null : address(third, frame),
        third === undefined ? [] : soon(third),
    );
    const measured = b?.curve ? b : a;
    const curve = measured?.curve ?? null;
    const worst = measured?.worst ?? [];
    const pan = (dx: number, dy: number) =>
        setPlace((now) => ({
            ...now,
            x: Math.max(0, Math.min(1, now.x + dx)),
            y: Math.max(0, Math.min(1, now.y + dy)),
        }));
    const step = (event: KeyboardEvent, by: number) =>
        event.shiftKey && place.zoom > 0 ? pan(0.05 * by, 0) : seek(frame + by);

    useCompareKeys(
        {
            arrowright: (event) => step(event, 1),
            arrowleft: (event) => step(event, -1),
            arrowdown: () => pan(0, 0.05),
            arrowup: () => pan(0, -0.05),
            home: () => seek(0),
            end: () => seek(view.frames - 1),
            w: () => setWay('wipe'),
            s: () => setWay('side'),
            d: () => (way === 'difference' ? setGain(next(GAINS, gain)) : setWay('difference')),
            x: () => setFlicker(true),
            z: () => setPlace({ ...place, zoom: next(ZOOMS, place.zoom) }),
            l: () => setLift(next(LIFTS, lift)),
            o: () => setOverlay(!overlay),
            t: () => toggleThird(),
            h: () => setScopes(next(['none', 'histogram', 'waveform'] as const, scopes)),
            ...Object.fromEntries(worst.map((at, i) => [String(i + 1), () => seek(at)])),
        },
        { x: () => setFlicker(false) },
    );
    usePlaying(plays, view, frame, setFrame, left.loading || right.loading);

    const span = [...view.spans].reverse().find(({ at }) => frame >= at) ?? view.spans[0];
    const cutFrame = span === undefined ? frame : span.first + frame - span.at;
    const here = b?.curve?.[frame];
    const choose = (name: string, id: string) => {
        search.set(name, id);
        setSearch(search, { replace: true });
    };
    /** A third file, beside the two: the first that is neither of them. */
    const toggleThird = () => {
        const other = view.sources.find(({ id, here }) => here && id !== a?.id && id !== b?.id);
        if (third !== undefined || other === undefined) {
            search.delete('c');
        } else {
            search.set('c', other.id);
            setWay('side');
        }
        setSearch(search, { replace: true });
    };
    const faults = useFaults(base, files, view, [a, b, third], frame, overlay && !plays);
    const [faultsA, faultsB, faultsC] = faults.map(({ data }) => data);
    const named = useNames(base, files, view, measured, worst, right.image !== null);
    const drag = (event: React.PointerEvent<HTMLDivElement>) => {
        const box = event.currentTarget.getBoundingClientRect();
        if (grabbed === 'wipe') {
            setWipe(Math.max(0, Math.min(1, (event.clientX - box.left) / box.width)));
        } else if (grabbed === 'pan' && place.zoom > 0) {
            const scale = place.zoom / (window.devicePixelRatio || 1);
            pan(-event.movementX / (view.width * scale), -event.movementY / (view.height * scale));
        }
    };
    const label = (one: typeof a) => `${one?.label}, ${one?.detail}, frame ${cutFrame}`;
    return (
        <div data-theme="dark" className="flex h-full flex-col bg-[#777] text-ink">
            <svg className="absolute size-0" aria-hidden="true">
                <filter id="lift" colorInterpolationFilters="sRGB">
                    <feComponentTransfer>
                        {(['feFuncR', 'feFuncG', 'feFuncB'] as const).map((Func) => (
                            <Func key={Func} type="gamma" amplitude={1} exponent={1 / lift} offset={0} />
                        ))}
                    </feComponentTransfer>
                </filter>
            </svg>
            <h1 className="sr-only">Compare {view.name}</h1>
            <div
                className="relative min-h-0 grow touch-none overflow-hidden"
                onPointerDown={(event) => {
                    event.currentTarget.setPointerCapture(event.pointerId);
                    const box = event.currentTarget.getBoundingClientRect();
                    const near = Math.abs((event.clientX - box.left) / box.width - wipe) < 0.03;
                    setGrabbed(way === 'wipe' && (near || place.zoom === 0) ? 'wipe' : 'pan');
                }}
                onPointerMove={drag}
                onPointerUp={() => setGrabbed(null)}
                onWheel={(event) => {
                    const at = ZOOMS.indexOf(place.zoom) - Math.sign(event.deltaY);
                    setPlace({ ...place, zoom: ZOOMS[Math.max(0, Math.min(ZOOMS.length - 1, at))] ?? 0 });
                }}
            >
                {way === 'side' ? (
                    <div className={`grid h-full gap-px ${third === undefined ? 'grid-cols-2' : 'grid-cols-3'}`}>
                        <div className="relative">
                            <Pane
                                image={flicker ? right.image : left.image}
                                place={place}
                                lift={lift}
                                faults={flicker ? faultsB : faultsA}
                                label={label(a)}
                            />
                        </div>
                        {third !== undefined && (
                            <div className="relative">
                                <Pane
                                    image={middle.image}
                                    place={place}
                                    lift={lift}
                                    faults={faultsC}
                                    label={label(third)}
                                />
                            </div>
                        )}
                        <div className="relative">
                            <Pane
                                image={flicker ? left.image : right.image}
                                place={place}
                                lift={lift}
                                faults={flicker ? faultsA : faultsB}
                                label={label(b)}
                            />
                        </div>
                    </div>
                ) : way === 'difference' ? (
                    <Pane
                        image={left.image}
                        other={right.image}
                        gain={gain}
                        place={place}
                        lift={lift}
                        label={`Difference × ${gain}, frame ${cutFrame}`}
                    />
                ) : (
                    <>
                        <Pane image={left.image} place={place} lift={lift} faults={faultsA} label={label(a)} />
                        <Pane
                            image={right.image}
                            place={place}
                            lift={lift}
                            faults={faultsB}
                            from={flicker ? 0 : wipe}
                            label={label(b)}
                        />
                        {!flicker && (
                            <span
                                role="slider"
                                tabIndex={0}
                                aria-label="Wipe"
                                aria-valuenow={Math.round(100 * wipe)}
                                className="absolute inset-y-0 w-px cursor-ew-resize bg-white/90"
                                style={{ left: `${100 * wipe}%` }}
                                onKeyDown={(event) => {
                                    const by = { ArrowLeft: -0.02, ArrowRight: 0.02 }[event.key];
                                    if (by !== undefined) {
                                        event.stopPropagation();
                                        event.preventDefault();
                                        setWipe(Math.max(0, Math.min(1, wipe + by)));
                                    }
                                }}
                            />
                        )}
                    </>
                )}
                <Choice name="Left" value={a} view={view} choose={(id) => choose('a', id)} className="left-4" />
                {third !== undefined && way === 'side' && (
                    <Choice
                        name="Middle"
                        value={third}
                        view={view}
                        choose={(id) => choose('c', id)}
                        className="left-1/2 -translate-x-1/2"
                    />
                )}
                <Choice name="Right" value={b} view={view} choose={(id) => choose('b', id)} className="right-4" />
                {(left.problem ?? right.problem) && (
                    <p
                        role="alert"
                        className="absolute inset-x-0 top-1/2 mx-auto w-fit rounded bg-surface px-4 py-2 text-[13px]"
                    >
                        {left.problem ?? right.problem}
                    </p>
                )}
                {(left.image === null || right.image === null) && (left.problem ?? right.problem) === null && (
                    <p
                        role="status"
                        className="absolute inset-x-0 top-1/2 mx-auto w-fit rounded bg-surface px-4 py-2 text-[13px]"
                    >
                        Decoding the pictures …
                    </p>
                )}
                {overlay && <FaultLegend faults={faults} of={b === view.sources[0] ? 0 : 1} />}
                {scopes !== 'none' && (
                    <div className="absolute bottom-3 left-4 flex gap-3 rounded bg-surface p-2">
                        <Scope image={left.image} label={a?.label ?? ''} waveform={scopes === 'waveform'} />
                        <Scope image={right.image} label={b?.label ?? ''} waveform={scopes === 'waveform'} />
                    </div>
                )}
            </div>
            <div className="flex h-9 flex-none items-center gap-3 border-t border-line bg-surface px-4 text-[12.5px]">
                <Key sign="W" text="wipe" on={way === 'wipe'} act={() => setWay('wipe')} />
                <Key sign="S" text="side by side" on={way === 'side'} act={() => setWay('side')} />
                <Key
                    sign="D"
                    text={way === 'difference' ? `difference × ${gain}` : 'difference'}
                    on={way === 'difference'}
                    act={() => (way === 'difference' ? setGain(next(GAINS, gain)) : setWay('difference'))}
                />
                <Key sign="hold X" text="flicker" on={flicker} act={() => setFlicker(!flicker)} />
                <Key
                    sign="Z"
                    text={place.zoom === 0 ? 'whole picture' : `${100 * place.zoom} %`}
                    on={place.zoom > 0}
                    act={() => setPlace({ ...place, zoom: next(ZOOMS, place.zoom) })}
                />
                {view.sources.length > 2 && (
                    <Key sign="T" text="three" on={third !== undefined && way === 'side'} act={toggleThird} />
                )}
                <Key sign="O" text="what is wrong" on={overlay} act={() => setOverlay(!overlay)} />
                <Key
                    sign="L"
                    text={lift === 1 ? 'lift shadows' : `shadows lifted, gamma ${lift}`}
                    on={lift > 1}
                    act={() => setLift(next(LIFTS, lift))}
                />
                <Key
                    sign="H"
                    text={scopes === 'none' ? 'scopes' : scopes}
                    on={scopes !== 'none'}
                    act={() => setScopes(next(['none', 'histogram', 'waveform'] as const, scopes))}
                />
                <Key sign={plays ? '■' : '▸'} text={plays ? 'stop' : 'play'} on={plays} act={() => setPlays(!plays)} />
                {view.hdr && <span className="text-soft">HDR: both through the same tone map</span>}
                <span className="ml-auto whitespace-nowrap">
                    <Figures text={`frame ${cutFrame} · ${frame + 1} of ${view.frames}`} />
                    {here !== undefined && <Figures text={` · ${here.toFixed(2)} dB here`} />}
                </span>
            </div>
            <div className="flex h-[86px] flex-none items-stretch gap-4 border-t border-line bg-surface px-4 py-2">
                <TimeStrip view={view} frame={frame} curve={curve} worst={worst} seek={seek} />
                <div className="w-[440px] flex-none text-[12px] leading-[17px]">
                    <div className="flex items-baseline justify-between">
                        <span className="text-soft">{worst.length > 0 ? 'Worst frames' : ''}</span>
                        {view.cut !== null && (
                            <Link to={`/cuts/${view.cut}`} className="text-rust hover:underline">
                                To its sheet
                            </Link>
                        )}
                    </div>
                    <ol className="grid grid-cols-2 gap-x-4">
                        {worst.map((at, i) => (
                            <li key={at}>
                                <button
                                    type="button"
                                    onClick={() => seek(at)}
                                    title={named[i]}
                                    className="flex w-full items-baseline gap-1.5 text-left hover:underline"
                                >
                                    <kbd className="rounded border border-line px-1">{i + 1}</kbd>
                                    <Figures className="flex-none" text={`${(curve?.[at] ?? 0).toFixed(1)} dB`} />
                                    <Figures className="truncate text-soft" text={named[i] ?? ''} />
                                </button>
                            </li>
                        ))}
                    </ol>
                </div>
            </div>
        </div>
    );
}

/** Frame after frame as fast as they come, at most at the cut's own rate, around the piece in which it begins. */
function usePlaying(
    plays: boolean,
    view: ComparisonView,
    frame: number,
    setFrame: (frame: number) => void,
    loading: boolean,
) {
    const rate = view.frameRate.split('/').map(Number);
    const pause = 1000 / ((rate[0] ?? 25) / (rate[1] ?? 1));
    const span = [...view.spans].reverse().find(({ at }) => frame >= at);
    const begins = span?.at ?? 0;
    const ends = begins + (span === undefined ? view.frames : span.last - span.first + 1);
    const after = frame + 1 < ends ? frame + 1 : begins;
    useEffect(() => {
        if (!plays || loading) {
            return;
        }
        const timer = setTimeout(() => setFrame(after), pause);
        return () => clearTimeout(timer);
    }, [plays, loading, pause, after, setFrame]);
}

interface ChoiceProps {
    name: string;
    value: ComparisonView['sources'][number] | undefined;
    view: ComparisonView;
    choose: (id: string) => void;
    className: string;
}

/** Which file stands on a side. */
function Choice({ name, value, view, choose, className }: ChoiceProps) {
    return (
        <label
            className={`absolute top-3 flex items-center gap-2 rounded bg-surface px-2.5 py-1 text-[12.5px] ${className}`}
            onPointerDown={(event) => event.stopPropagation()}
        >
            <span className="font-stencil tracking-[.05em] uppercase">{value?.label}</span>
            <select
                aria-label={`${name}: which file`}
                className="h-6 max-w-[320px] rounded border border-line bg-page px-1"
                value={value?.id}
                onChange={(event) => choose(event.target.value)}
            >
                {view.sources.map((source) => (
                    <option key={source.id} value={source.id} disabled={!source.here}>
                        {source.label}: {source.detail}
                    </option>
                ))}
            </select>
        </label>
    );
}

function Key({ sign, text, on, act }: { sign: string; text: string; on: boolean; act: () => void }) {
    return (
        <button
            type="button"
            aria-pressed={on}
            onClick={act}
            className={`flex items-center gap-1.5 whitespace-nowrap ${on ? 'text-rust' : 'text-soft hover:text-ink'}`}
        >
            <kbd className="rounded border border-line px-1.5 text-[11px] leading-4">{sign}</kbd>
            <Figures text={text} />
        </button>
    );
}
