import { useState } from 'react';
import { usePresets } from '../api/queries';
import type { Plan, PresetCard } from '../api/types';
import { PresetPicker } from '../presets/PresetPicker';
import { Button } from '../ui/Button';
import { HostSelect } from '../ui/HostSelect';
import { Mark } from '../ui/Mark';
import { Popover } from '../ui/Popover';
import { Segments } from '../ui/Segments';
import { FindingList } from './FindingList';
import type { Output } from './outputs';
import { SaveAsPreset } from './SaveAsPreset';
import type { Columns } from './useColumns';

interface Props {
    cut: number;
    output: Output;
    plan: Plan | undefined;
    number: number;
    columns: Columns;
    planning: boolean;
    name: string;
}

const ways = [
    { value: 'swap', label: 'Another preset' },
    { value: 'save', label: 'Save as a preset' },
] as const;

const named =
    'flex w-full items-center gap-1.5 rounded text-left text-soft decoration-dotted underline-offset-3 hover:text-ink hover:underline';

/** Findings about the preset and the host themselves. */
const aboutBase = ['preset-newer', 'preset-away', 'preset-gone', 'host-changed'];

/** The preset of a column, where its name stands: swapped for another, or made of what the column has become. */
export function ColumnPreset({ cut, output, plan, number, columns, planning, name }: Props) {
    const [open, setOpen] = useState(false);
    const [way, setWay] = useState<(typeof ways)[number]['value']>('swap');
    const news = (plan?.findings ?? []).filter(({ id }) => aboutBase.includes(id));
    return (
        <Popover
            open={open}
            onOpenChange={setOpen}
            label={`Preset of output ${number}`}
            width={way === 'swap' ? 400 : 620}
            tall
            anchor={
                <button
                    type="button"
                    aria-label={`Preset of output ${number}: ${name}`}
                    title={[name, ...news.map(({ text }) => text), 'Swap the preset, or save the column as one'].join(
                        '\n',
                    )}
                    onClick={() => setOpen(true)}
                    className={named}
                >
                    {news[0] && <Mark kind={news[0].severity} />}
                    <span className="truncate">{name}</span>
                </button>
            }
        >
            {news.length > 0 && (
                <div className="mb-3 rounded bg-sunk px-2.5 py-2">
                    <FindingList
                        findings={news.map(({ remedy, ...finding }) => ({
                            ...finding,
                            remedy: remedy && {
                                text: remedy.text,
                                apply: () => {
                                    columns.remedy(output.key, remedy);
                                    setOpen(false);
                                },
                            },
                        }))}
                    />
                </div>
            )}
            <div className="mb-3">
                <Segments label="What to do with the preset" value={way} options={ways} onChange={setWay} />
            </div>
            {way === 'swap' ? (
                <Swap output={output} columns={columns} close={() => setOpen(false)} />
            ) : (
                <SaveAsPreset
                    cut={cut}
                    output={output}
                    planning={planning || plan === undefined}
                    columns={columns}
                    close={() => setOpen(false)}
                />
            )}
        </Popover>
    );
}

function Swap({ output, columns, close }: { output: Output; columns: Columns; close: () => void }) {
    const presets = usePresets().data?.presets ?? [];
    const [chosen, setChosen] = useState<PresetCard | null>(null);
    const [host, setHost] = useState<string | null>(output.host);
    const [kept, keep] = useState<'keep' | 'drop'>('keep');
    const changes = Object.keys(output.edits).length;
    const take = (preset: PresetCard, to: string | null) => {
        columns.swap(output.key, preset.slug, to, kept === 'keep');
        close();
    };
    return (
        <>
            <PresetPicker
                presets={presets}
                chosen={chosen?.slug ?? output.preset}
                label="Preset"
                choose={(preset) => {
                    setChosen(preset);
                    setHost(preset.host ?? output.host);
                }}
                take={(preset) => take(preset, preset.slug === chosen?.slug ? host : (preset.host ?? output.host))}
            />
            {changes > 0 && (
                <div className="mt-3 flex items-center gap-2">
                    <span className="text-soft">
                        {changes === 1 ? 'The cell' : `The ${changes} cells`} that you changed
                    </span>
                    <Segments
                        label="What you changed by hand"
                        value={kept}
                        options={[
                            { value: 'keep', label: 'Keep' },
                            { value: 'drop', label: 'Let go' },
                        ]}
                        onChange={keep}
                    />
                </div>
            )}
            <div className="mt-3 flex items-center gap-2 border-t border-line pt-3">
                <label htmlFor="swap-host" className="text-soft">
                    For
                </label>
                <HostSelect id="swap-host" value={host} onChange={setHost} />
                <Button
                    kind="primary"
                    className="ml-auto"
                    disabled={chosen === null}
                    title={chosen === null ? 'Choose another preset first' : undefined}
                    onClick={() => chosen && take(chosen, host)}
                >
                    Swap
                </Button>
            </div>
        </>
    );
}
