import { Plus } from 'lucide-react';
import { useState } from 'react';
import { usePresets } from '../api/queries';
import type { PresetCard } from '../api/types';
import { PresetPicker } from '../presets/PresetPicker';
import { Button } from '../ui/Button';
import { HostSelect } from '../ui/HostSelect';
import { Popover } from '../ui/Popover';

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
    const [chosen, setChosen] = useState<PresetCard | null>(null);
    const [host, setHost] = useState<string | null>(null);
    return (
        <div>
            <div className="mb-2 font-medium">Add an output</div>
            <PresetPicker
                presets={presets}
                chosen={chosen?.slug ?? null}
                label="Preset"
                choose={(preset) => {
                    setChosen(preset);
                    setHost(preset.host);
                }}
                take={(preset) => add(preset.slug, preset.slug === chosen?.slug ? host : preset.host)}
            />
            <div className="mt-3 flex items-center gap-2 border-t border-line pt-3">
                <label htmlFor="add-host" className="text-soft">
                    For
                </label>
                <HostSelect id="add-host" value={host} onChange={setHost} disabled={chosen === null} />
                <Button
                    kind="primary"
                    className="ml-auto"
                    disabled={chosen === null}
                    title={chosen === null ? 'Choose a preset first' : undefined}
                    onClick={() => chosen && add(chosen.slug, host)}
                >
                    Add
                </Button>
            </div>
        </div>
    );
}
