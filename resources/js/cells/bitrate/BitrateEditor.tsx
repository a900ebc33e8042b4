import { useEffect, useId, useRef } from 'react';
import { useChoices, useMachine } from '../../api/queries';
import type { Rules } from '../../api/types';
import { Button } from '../../ui/Button';
import { Figures } from '../../ui/Figures';
import { freshKey } from '../../ui/freshKey';
import { readRate } from '../../ui/rate';
import { Segments } from '../../ui/Segments';
import { useDragged } from '../../ui/useDragged';
import { useTyped } from '../../ui/useTyped';
import type { EditorProps } from '..';
import { BitrateScale } from './BitrateScale';
import { BitrateTable } from './BitrateTable';

type BitrateRule = NonNullable<Rules['bitrate']>;

const modes = [
    { value: 'quality', label: 'Quality' },
    { value: 'cbr', label: 'CBR' },
    { value: 'vbr', label: 'VBR' },
    { value: 'vbr2', label: 'VBR, 2 passes' },
] as const;

type Mode = (typeof modes)[number]['value'];

/** Mode, average and peak or quality, with the host's ask beside them. Figures follow while one types. */
export function BitrateEditor({ plan, rule: set, edit, close }: EditorProps) {
    const rule = set as BitrateRule | null;
    const { data } = useChoices();
    const { data: machine } = useMachine();
    // One number for all the keystrokes of this opening, so that one undo takes them back.
    const step = useRef(`rate-${freshKey()}`);
    const rate = plan.values.bitrate;
    const allowed = data?.codecs[plan.values.video.codec]?.modes ?? [];
    const scale = data?.codecs[plan.values.video.codec]?.quality;
    const quality = useDragged(rate.quality ?? scale?.usual ?? 0);
    const hasTable = plan.askedAverage !== null;
    const target = rule?.average !== undefined && 'bytes' in rule.average ? rule.average.bytes : null;
    // A number that was refused stays where it was typed, in its mode; what was decided without it is not shown.
    const refused = plan.findings.some(({ id, cell }) => id === 'impossible-value' && cell === 'bitrate');
    const shown = refused && rule?.mode ? rule.mode : rate.mode;
    const passes = refused && rule?.passes ? rule.passes : rate.passes;
    const mode: Mode = shown === 'vbr' && passes === 2 ? 'vbr2' : (shown as Mode);
    const sending = rule?.average !== undefined && 'sendSeconds' in rule.average ? rule.average.sendSeconds : null;
    /** What the average is reckoned from. The peak goes with it: one that was typed for another average would forbid this one. */
    const lead = (average: NonNullable<BitrateRule['average']>) =>
        edit({ ...rule, peak: { timesAverage: 1.5 }, average }, step.current);
    const change = (part: BitrateRule) => edit({ ...rule, ...part }, step.current);

    if (rate.mode === 'codec' || rate.mode === 'lossless') {
        return (
            <div>
                <div className="mb-1 font-medium">Bitrate</div>
                <p className="text-soft">
                    {rate.mode === 'codec'
                        ? 'The codec settles at its own bitrate for this frame size and frame rate. Choose another profile to change it.'
                        : 'Lossless: as many bits as the picture needs.'}
                </p>
            </div>
        );
    }
    return (
        <div>
            <div className="mb-2 flex items-baseline font-medium">
                Bitrate
                {plan.askedAverage !== null && (
                    <Figures
                        className="ml-auto font-normal text-faint"
                        text={`${plan.hostName} asks ${megabits(plan.askedAverage)} Mb/s`}
                    />
                )}
            </div>
            <div className={hasTable ? 'grid grid-cols-[312px_1fr] gap-5' : ''}>
                <div>
                    <Segments
                        label="Mode"
                        value={mode}
                        options={modes.filter((option) => allowed.includes(option.value))}
                        onChange={(next) =>
                            change(
                                next === 'vbr2'
                                    ? { mode: 'vbr', passes: 2 }
                                    : next === 'vbr'
                                      ? { mode: 'vbr', passes: 1 }
                                      : { mode: next },
                            )
                        }
                    />
                    {mode === 'quality' ? (
                        <>
                            <NumberField
                                label="Quality"
                                unit={scale ? `${scale.best} best · ${scale.worst} least` : ''}
                                value={String(rate.quality ?? scale?.usual ?? '')}
                                onNumber={(quality) => change({ quality: Math.round(quality) })}
                                onEnter={close}
                            />
                            {scale && (
                                <input
                                    type="range"
                                    aria-label="Quality, from small to best"
                                    min={scale.best}
                                    max={scale.worst}
                                    value={quality.shown}
                                    onChange={(event) => {
                                        quality.drag(Number(event.target.value));
                                        change({ quality: Number(event.target.value) });
                                    }}
                                    onBlur={quality.release}
                                    className="mt-2 w-full accent-rust [direction:rtl]"
                                />
                            )}
                        </>
                    ) : (
                        <NumberField
                            label="Average"
                            unit="Mb/s"
                            value={megabits(rate.average)}
                            onNumber={(value) => change({ average: { kbps: kilobits(value) } })}
                            onEnter={close}
                            autoFocus
                        />
                    )}
                    {rate.mode !== 'cbr' && rate.peak !== null && (
                        <NumberField
                            label="Peak"
                            unit="Mb/s"
                            value={megabits(rate.peak)}
                            onNumber={(value) => change({ peak: { kbps: kilobits(value) } })}
                            onEnter={close}
                        />
                    )}
                    {rate.mode !== 'cbr' && rate.bufferSeconds && (
                        <NumberField
                            label="Buffer"
                            unit="s · less is stricter"
                            value={String(rate.bufferSeconds)}
                            onNumber={(seconds) => change({ buffer: { seconds } })}
                            onEnter={close}
                        />
                    )}
                    {rate.average !== null && (
                        <>
                            {plan.askedAverage !== null && (
                                <NumberField
                                    label="Ask ×"
                                    unit={`what ${plan.hostName} asks`}
                                    value={String(Math.round((100 * rate.average) / plan.askedAverage) / 100)}
                                    onNumber={(times) => times > 0 && lead({ timesAsk: times })}
                                    onEnter={close}
                                />
                            )}
                            <NumberField
                                label="File"
                                unit="MB at most"
                                value={target === null ? '' : String(target / 1_000_000)}
                                onNumber={(value) => lead({ bytes: Math.round(value * 1_000_000) })}
                                onEnter={close}
                            />
                            {machine && (
                                <NumberField
                                    label="Sent in"
                                    unit={`min at ${machine.lineSpeedLabel}`}
                                    value={sending === null ? '' : String(Math.round((100 * sending) / 60) / 100)}
                                    onNumber={(minutes) =>
                                        minutes > 0 &&
                                        lead({ sendSeconds: minutes * 60, lineKbps: machine.lineSpeed / 1000 })
                                    }
                                    onEnter={close}
                                />
                            )}
                        </>
                    )}
                    {rate.average !== null && (
                        <BitrateScale
                            average={rate.average}
                            peak={rate.peak}
                            asked={plan.askedAverage}
                            change={(bits) =>
                                change({ average: { kbps: Math.round(bits / 1000) }, peak: { timesAverage: 1.5 } })
                            }
                        />
                    )}
                </div>
                {hasTable && <BitrateTable plan={plan} />}
            </div>
            <div className="mt-3 flex items-center border-t border-line pt-2 text-[12px] text-soft">
                {plan.bitsPerPixel !== null && (
                    <Figures text={`${plan.bitsPerPixel} bits per pixel · ≈ ${plan.estimate.bytesLabel}`} />
                )}
                {plan.origins.bitrate?.from === 'you' && (
                    <Button kind="quiet" className="ml-auto h-6 text-[12px]" onClick={() => edit(null)}>
                        Put back
                    </Button>
                )}
            </div>
        </div>
    );
}

interface FieldProps {
    label: string;
    unit: string;
    value: string;
    onNumber: (value: number) => void;
    onEnter: () => void;
    autoFocus?: boolean;
}

/** Keeps what is typed; passes a number on a moment after the last key. */
function NumberField({ label, unit, value, onNumber, onEnter, autoFocus }: FieldProps) {
    const id = useId();
    const input = useRef<HTMLInputElement>(null);
    // A rate may be typed with its own unit: 8000k, 8 Mb/s.
    const asNumber = (text: string) => {
        const rate = unit === 'Mb/s' ? readRate(text) : null;
        return rate?.to === null
            ? rate.kbps / 1_000
            : text.trim() === ''
              ? Number.NaN
              : Number(text.trim().replace(',', '.'));
    };
    const { typed, type, flush, settle } = useTyped(value, (text) => {
        if (asNumber(text) >= 0) {
            onNumber(asNumber(text));
        }
    });
    const wrong = typed !== value && !(asNumber(typed) >= 0);

    useEffect(() => {
        if (autoFocus) {
            input.current?.focus();
            input.current?.select();
        }
    }, [autoFocus]);

    return (
        <div className="mt-1.5 flex items-center gap-2">
            <label htmlFor={id} className="w-14 text-soft">
                {label}
            </label>
            <input
                ref={input}
                id={id}
                inputMode="decimal"
                autoComplete="off"
                value={typed}
                aria-invalid={wrong}
                onChange={(event) => type(event.target.value)}
                onBlur={() => !wrong && settle()}
                onKeyDown={(event) => {
                    if (event.key === 'Enter' && !wrong) {
                        flush();
                        onEnter();
                    }
                }}
                className="figure h-[26px] w-24 flex-none rounded border border-line bg-page px-2 text-right aria-invalid:border-stop"
            />
            <span className="text-soft">{unit}</span>
            {wrong && (
                <span role="alert" className="text-[12px] leading-4 text-stop">
                    {unit === 'Mb/s' ? 'Write a rate: 8, 8.5 or 8000k' : 'Write a number'}
                </span>
            )}
        </div>
    );
}

const kilobits = (megabit: number) => Math.round(megabit * 1000);

/** 9900000 → 9.9; up to three decimals, so that a kilobit can be said. */
const megabits = (bits: number | null) => (bits === null ? '' : String(Math.round(bits / 1000) / 1000));
