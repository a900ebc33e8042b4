import { useMutation, useQuery, useQueryClient } from '@tanstack/react-query';
import { useState } from 'react';
import { Link } from 'react-router';
import { api } from '../api/client';
import { keys } from '../api/keys';
import { usePresets } from '../api/queries';
import type { Cut } from '../api/types';
import { PresetPicker } from '../presets/PresetPicker';
import { Button } from '../ui/Button';
import { Figures } from '../ui/Figures';
import { HostSelect } from '../ui/HostSelect';
import { Mark } from '../ui/Mark';
import { PackTrouble } from '../ui/PackTrouble';
import { Popover } from '../ui/Popover';
import { Trouble } from '../ui/States';

const last = 'outer-crate/quick-preset';

/** For the hurried: choose a preset and a host, read the recap, pack. */
export function QuickPack({ cut }: { cut: Cut }) {
    const [open, setOpen] = useState(false);
    return (
        <Popover
            open={open}
            onOpenChange={setOpen}
            label={`Pack ${cut.name}`}
            width={400}
            align="end"
            anchor={
                <button
                    type="button"
                    aria-label={`Pack ${cut.name}`}
                    title="Choose a preset, read what will be made, pack"
                    onClick={() => setOpen(true)}
                    className="h-6 rounded border border-line bg-surface px-2 text-[12px] text-soft hover:border-rule hover:text-ink"
                >
                    Pack …
                </button>
            }
        >
            <Quick cut={cut} close={() => setOpen(false)} />
        </Popover>
    );
}

function Quick({ cut, close }: { cut: Cut; close: () => void }) {
    const client = useQueryClient();
    const presets = usePresets().data?.presets ?? [];
    const [slug, setSlug] = useState(() => localStorage.getItem(last) ?? 'lanternwick-even');
    const preset = presets.find((candidate) => candidate.slug === slug) ?? presets[0];
    const [host, setHost] = useState<string | null | undefined>(undefined);
    const outputs =
        preset === undefined ? [] : [{ preset: preset.slug, host: host === undefined ? preset.host : host }];
    const plan = useQuery({
        queryKey: keys.quickPack(cut.id, outputs),
        queryFn: () => api.plan({ cut: cut.id, outputs }),
        enabled: preset !== undefined,
        placeholderData: (before) => before,
    });
    const pack = useMutation({
        mutationFn: (again: boolean) => api.packThese(cut.id, { outputs }, again),
        onSuccess: () => {
            localStorage.setItem(last, slug);
            client.invalidateQueries({ queryKey: keys.runs() });
            close();
        },
    });
    const findings = plan.data?.outputs[0]?.findings ?? [];
    const ready = plan.data !== undefined && !plan.isPlaceholderData && !plan.data.stopped && !pack.isPending;
    return (
        <form
            onSubmit={(event) => {
                event.preventDefault();
                pack.mutate(false);
            }}
        >
            <div className="mb-2 truncate font-medium" title={cut.name}>
                Pack {cut.name}
            </div>
            <PresetPicker
                presets={presets}
                chosen={preset?.slug ?? null}
                label="Preset"
                choose={(option) => {
                    setSlug(option.slug);
                    setHost(undefined);
                }}
                take={() => ready && pack.mutate(false)}
            />
            <div className="mt-2 flex items-center gap-2">
                <label htmlFor="quick-host" className="w-12 text-soft">
                    For
                </label>
                <HostSelect
                    id="quick-host"
                    value={outputs[0]?.host ?? null}
                    onChange={setHost}
                    className="min-w-0 flex-1"
                />
            </div>
            <p
                aria-live="polite"
                className={`mt-3 min-h-[36px] leading-[18px] ${plan.isPlaceholderData ? 'opacity-50' : ''}`}
            >
                <Figures text={plan.data?.recap ?? ''} />
            </p>
            <ul className="mt-1 max-h-32 overflow-y-auto text-[12px] leading-4 text-soft">
                {findings.map((finding) => (
                    <li key={finding.id} className="mt-1 flex gap-2">
                        <span className="pt-0.5">
                            <Mark kind={finding.severity} />
                        </span>
                        <Figures text={finding.text} />
                    </li>
                ))}
            </ul>
            {plan.error && <Trouble message={plan.error.message} />}
            {pack.error && <PackTrouble error={pack.error} again={() => pack.mutate(true)} />}
            <div className="mt-3 flex items-center border-t border-line pt-3">
                <Link to={`/cuts/${cut.id}`} className="text-soft underline decoration-dotted underline-offset-3">
                    Decide it on the sheet
                </Link>
                <Button
                    kind="primary"
                    type="submit"
                    className="ml-auto"
                    disabled={!ready}
                    title={plan.data?.stopped ? 'A finding marked ■ has to be answered first, on the sheet' : undefined}
                >
                    Pack
                </Button>
            </div>
        </form>
    );
}
