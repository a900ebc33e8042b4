import { useState } from 'react';
import { useChoices } from '../api/queries';
import { Button } from '../ui/Button';
import { Popover } from '../ui/Popover';
import { countOf, MOST, USUAL, type Varied } from './varied';

interface Props {
    varied: Varied;
    onChange: (varied: Varied) => void;
}

type Values = (number | string)[];

/** Chooses in what the candidates around an output differ. */
export function Vary({ varied, onChange }: Props) {
    const [open, setOpen] = useState(false);
    const codecs = useCodecs();
    const groups: {
        key: keyof Varied;
        label: string;
        own?: string;
        options: { value: number | string; label: string }[];
    }[] = [
        { key: 'times', label: 'Bitrate ×', options: [0.25, 0.5, 1, 2, 4, 8].map(plain) },
        {
            key: 'steps',
            label: 'Frame size',
            options: [
                { value: -1, label: 'one down' },
                { value: 0, label: 'its own' },
                { value: 1, label: 'one up' },
            ],
        },
        { key: 'passes', label: 'Passes', own: 'its own', options: [1, 2].map(plain) },
        { key: 'codecs', label: 'Video codec', own: 'its own', options: codecs },
        {
            key: 'keyframes',
            label: 'Keyframes every',
            own: 'its own',
            options: [1, 2, 5].map((value) => ({ value, label: `${value} s` })),
        },
        {
            key: 'depths',
            label: 'Bit depth',
            own: 'its own',
            options: [8, 10].map((value) => ({ value, label: `${value}-bit` })),
        },
        {
            key: 'lifts',
            label: 'Lift, gamma',
            own: 'its own',
            options: [1, 1.1, 1.2].map((value) => ({ value, label: value === 1 ? 'none' : String(value) })),
        },
    ];
    const toggle = (key: keyof Varied, value: number | string) => {
        const values = varied[key] as Values;
        const next = values.includes(value) ? values.filter((one) => one !== value) : [...values, value];
        // Rates and sizes are always said.
        if (next.length > 0 || !['times', 'steps'].includes(key)) {
            next.sort((a, b) => (typeof a === 'number' && typeof b === 'number' ? a - b : 0));
            onChange({ ...varied, [key]: next });
        }
    };
    const count = countOf(varied);
    return (
        <Popover
            open={open}
            onOpenChange={setOpen}
            label="What is varied"
            width={420}
            anchor={
                <Button aria-haspopup="dialog" aria-expanded={open} onClick={() => setOpen(!open)}>
                    {wordsOf(varied)} …
                </Button>
            }
        >
            {groups.map(({ key, label, own, options }) => (
                <fieldset key={key} className="flex items-center gap-3 border-b border-line py-1.5">
                    <legend className="sr-only">{label}</legend>
                    <span className="w-[108px] flex-none text-soft" aria-hidden="true">
                        {label}
                    </span>
                    <span className="flex flex-wrap gap-x-3 gap-y-1">
                        {options.map((option) => (
                            <label key={option.value} className="flex items-center gap-1">
                                <input
                                    type="checkbox"
                                    className="accent-rust"
                                    checked={(varied[key] as Values).includes(option.value)}
                                    onChange={() => toggle(key, option.value)}
                                />
                                {option.label}
                            </label>
                        ))}
                        {own !== undefined && varied[key].length === 0 && <span className="text-faint">{own}</span>}
                    </span>
                </fieldset>
            ))}
            <div className="mt-2.5 flex items-center gap-2">
                <span className={count > MOST ? 'text-stop' : 'text-soft'} role="status">
                    {count} {count === 1 ? 'candidate' : 'candidates'}
                    {count > MOST && `: ${MOST} are the most`}
                </span>
                <Button kind="quiet" className="ml-auto" onClick={() => onChange(USUAL)}>
                    As usual
                </Button>
                <Button onClick={() => setOpen(false)}>Done</Button>
            </div>
        </Popover>
    );
}

const plain = (value: number) => ({ value, label: String(value) });

/** Codecs that uploads are made with. */
function useCodecs() {
    const { data } = useChoices();
    const video = data?.cells.find(({ name }) => name === 'video');
    const codecs = new Map<string, string>();
    for (const { group, label, rule } of video?.choices ?? []) {
        const codec = typeof rule === 'object' ? (rule as { codec?: string }).codec : undefined;
        if (group === 'Delivery' && codec !== undefined && !codecs.has(codec)) {
            codecs.set(codec, label.split(' ')[0] ?? label);
        }
    }
    return [...codecs].map(([value, label]) => ({ value, label }));
}

function wordsOf(varied: Varied): string {
    const others = [
        varied.steps.length > 1 || varied.steps[0] !== 0 ? 'sizes' : null,
        varied.passes.length > 0 ? 'passes' : null,
        varied.codecs.length > 0 ? 'codecs' : null,
        varied.keyframes.length > 0 ? 'keyframes' : null,
        varied.depths.length > 0 ? 'depths' : null,
        varied.lifts.length > 0 ? 'lifts' : null,
    ].filter((word) => word !== null);
    return [`Rates × ${varied.times.join(', ')}`, ...others].join(' · ');
}
