import { useId, useRef } from 'react';
import { Figures } from '../ui/Figures';
import { freshKey } from '../ui/freshKey';
import { readRate } from '../ui/rate';
import { Segments } from '../ui/Segments';
import { useTyped } from '../ui/useTyped';
import type { Part } from './rows';

interface Props {
    parts: Part[];
    values: Record<string, unknown>;
    /** Changes one named value; changes that share a step are undone together. */
    edit: (key: string, value: unknown, step: string) => void;
}

/** The named values of a cell's rule, each with a control of its kind. */
export function PartsEditor({ parts, values, edit }: Props) {
    const step = useRef(`part-${freshKey()}`);
    return (
        <div className="flex flex-col gap-2">
            {parts.map((part) => (
                <PartControl
                    key={part.key}
                    part={part}
                    value={values[part.key] ?? null}
                    change={(value) => edit(part.key, value, `${step.current}-${part.key}`)}
                />
            ))}
        </div>
    );
}

interface ControlProps {
    part: Part;
    value: unknown;
    change: (value: unknown) => void;
}

function PartControl({ part, value, change }: ControlProps) {
    const id = useId();
    if (part.kind === 'switch') {
        return (
            <label className="flex items-baseline gap-2">
                <input
                    type="checkbox"
                    checked={value === true}
                    onChange={(event) => change(event.target.checked)}
                    className="self-center accent-rust"
                />
                {part.label}
                <span className="ml-auto text-right text-[12px] text-faint">{part.about}</span>
            </label>
        );
    }
    return (
        <div>
            <div className="flex items-center gap-2">
                <label htmlFor={id} id={`${id}-label`} className="w-[104px] flex-none text-soft">
                    {part.label}
                </label>
                {part.kind === 'options' && <Options id={id} part={part} value={value} change={change} />}
                {part.kind === 'number' && <NumberPart id={id} part={part} value={value} change={change} />}
                {part.kind === 'text' && <TextPart id={id} part={part} value={value} change={change} />}
            </div>
            {part.kind !== 'options' && part.about !== '' && (
                <div className="ml-[112px] text-[12px] leading-4 text-faint">{part.about}</div>
            )}
        </div>
    );
}

function Options({ id, part, value, change }: ControlProps & { id: string }) {
    const at = part.options.findIndex((option) => option.value === value);
    const about = part.options[at]?.about ?? '';
    if (part.options.length <= 4 && part.options.reduce((all, option) => all + option.label.length, 0) < 27) {
        return (
            <div>
                <Segments
                    label={part.label}
                    value={String(at)}
                    options={part.options.map((option, i) => ({ value: String(i), label: option.label }))}
                    onChange={(next) => change(part.options[Number(next)]?.value ?? null)}
                />
                {about !== '' && <div className="mt-0.5 text-[12px] leading-4 text-faint">{about}</div>}
            </div>
        );
    }
    return (
        <select
            id={id}
            value={String(Math.max(0, at))}
            onChange={(event) => change(part.options[Number(event.target.value)]?.value ?? null)}
            className="h-7 min-w-0 flex-1 rounded border border-line bg-page px-1.5"
        >
            {part.options.map((option, i) => (
                <option key={option.label} value={i}>
                    {option.about === '' ? option.label : `${option.label} – ${option.about}`}
                </option>
            ))}
        </select>
    );
}

/** A number with its unit, and a slider over the range that is sensible; empty says nothing. */
function NumberPart({ id, part, value, change }: ControlProps & { id: string }) {
    const shown = typeof value === 'number' || typeof value === 'string' ? readable(value) : '';
    const asNumber = (text: string) => {
        const rate = part.unit === 'kb/s' ? readRate(text, 1) : null;
        return rate?.to === null ? rate.kbps : Number(text.trim().replace(',', '.').replace('−', '-'));
    };
    const { typed, type, drag, settle } = useTyped(shown, (text) => {
        const number = asNumber(text);
        if (text.trim() === '') {
            change(null);
        } else if (Number.isFinite(number)) {
            change(number);
        }
    });
    const wrong = typed.trim() !== '' && !Number.isFinite(asNumber(typed));
    return (
        <>
            <input
                id={id}
                inputMode="decimal"
                autoComplete="off"
                value={typed}
                aria-invalid={wrong}
                onChange={(event) => type(event.target.value)}
                onBlur={settle}
                className="figure h-7 w-[68px] rounded border border-line bg-page px-2 text-right aria-invalid:border-stop"
            />
            <Figures className="w-9 flex-none text-soft" text={part.unit} />
            {wrong && (
                <span role="alert" className="text-[12px] leading-4 text-stop">
                    Write a number{part.unit === 'kb/s' ? ', such as 320 or 320k' : ''}
                </span>
            )}
            <input
                type="range"
                hidden={wrong}
                aria-labelledby={`${id}-label`}
                min={part.least ?? 0}
                max={part.most ?? 100}
                step={part.step ?? 1}
                value={Number.isFinite(Number(typed)) && typed.trim() !== '' ? Number(typed) : (part.least ?? 0)}
                onChange={(event) => drag(event.target.value)}
                className={`min-w-0 flex-1 accent-rust ${typed.trim() === '' ? 'opacity-35' : ''}`}
            />
        </>
    );
}

function TextPart({ id, value, change }: ControlProps & { id: string }) {
    const { typed, type, settle } = useTyped(typeof value === 'string' ? value : '', (text) =>
        change(text.trim() === '' ? null : text),
    );
    return (
        <input
            id={id}
            autoComplete="off"
            spellCheck={false}
            value={typed}
            onChange={(event) => type(event.target.value)}
            onBlur={settle}
            className="figure h-7 min-w-0 flex-1 rounded border border-line bg-page px-2"
        />
    );
}

/** 313/25 as a number people read, to three decimals. */
function readable(value: number | string): string {
    const [numerator = 0, denominator = 1] = String(value).split('/').map(Number);
    return String(Math.round((1000 * numerator) / denominator) / 1000);
}
