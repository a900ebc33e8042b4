import { Plus } from 'lucide-react';
import { useState } from 'react';
import { usePresets } from '../api/queries';
import type { PresetList } from '../api/types';
import { Button } from '../ui/Button';
import { HostSelect } from '../ui/HostSelect';
import { Popover } from '../ui/Popover';

type Preset = PresetList['presets'][number];

/** Choose a preset, then the host it goes to. */
export function AddOutput({ add, full }: { add: (preset: string, host: string | null) => void; full: boolean }) {
    const [open, setOpen] = useState(false);
    return (
        <Popover
            open={open}
            onOpenChange={setOpen}
            label="Add an output"
            width={380}
            align="end"
            anchor={
                <button
                    type="button"
                    aria-label="Add an output"
                    title={full ? 'A sheet holds 40 outputs' : 'Add an output'}
                    disabled={full}
                    onClick={() => setOpen(true)}
                    className="m-3 inline-flex size-9 items-center justify-center rounded text-faint hover:bg-sunk hover:text-ink disabled:opacity-40"
                >
                    <Plus size={20} />
                </button>
            }
        >
            <Chooser
                add={(preset, host) => {
                    add(preset, host);
                    setOpen(false);
                }}
            />
        </Popover>
    );
}

function Chooser({ add }: { add: (preset: string, host: string | null) => void }) {
    const presets = usePresets().data?.presets ?? [];
    const [chosen, setChosen] = useState<Preset | null>(null);
    const [host, setHost] = useState<string | null>(null);
    return (
        <div>
            <div className="mb-2 font-medium">Add an output</div>
            <div className="-mx-1.5 max-h-[320px] overflow-y-auto">
                {presets.map((preset) => (
                    <button
                        key={preset.slug}
                        type="button"
                        aria-pressed={chosen?.slug === preset.slug}
                        onClick={() => {
                            setChosen(preset);
                            setHost(preset.host);
                        }}
                        className="block w-full rounded px-1.5 py-1 text-left hover:bg-sunk focus-visible:outline-offset-[-2px] aria-pressed:bg-rust-wash"
                    >
                        <span className="flex items-baseline gap-2">
                            <b className="font-medium">{preset.name}</b>
                            <span
                                className={`ml-auto font-stencil text-[11px] tracking-[.05em] uppercase ${preset.role === 'upload' ? 'text-rust' : 'text-soft'}`}
                            >
                                {preset.role}
                            </span>
                        </span>
                        <span className="block text-[12px] leading-4 text-soft">{preset.about}</span>
                    </button>
                ))}
            </div>
            <div className="mt-3 flex items-center gap-2 border-t border-line pt-3">
                <label htmlFor="add-host" className="text-soft">
                    For
                </label>
                <HostSelect id="add-host" value={host} onChange={setHost} disabled={chosen === null} />
                <Button
                    kind="primary"
                    className="ml-auto"
                    disabled={chosen === null}
                    onClick={() => chosen && add(chosen.slug, host)}
                >
                    Add
                </Button>
            </div>
        </div>
    );
}
