import { useQuery } from '@tanstack/react-query';
import { X } from 'lucide-react';
import { useState } from 'react';
import { api } from '../api/client';
import { keys } from '../api/keys';
import { useChoices, useShelf } from '../api/queries';
import type { LibraryItem, Plan, PresetCard } from '../api/types';
import { FindingsCell } from '../sheet/FindingsCell';
import type { CellName } from '../sheet/outputs';
import { Button } from '../ui/Button';
import { Figures } from '../ui/Figures';
import { Popover } from '../ui/Popover';
import { Trouble } from '../ui/States';
import { PresetPicker } from './PresetPicker';

/** Presets side by side at most. */
const MOST = 3;

const kept = 'outer-crate/tried-on';

/** What a preset would decide for a cut, and up to two others beside it, where it differs. */
export function TriedOn({ item, presets }: { item: LibraryItem; presets: PresetCard[] }) {
    const shelf = useShelf({});
    const cuts = shelf.data?.pages.flatMap((page) => page.cuts) ?? [];
    const [cut, setCut] = useState(() => Number(localStorage.getItem(kept)));
    const [beside, setBeside] = useState<string[]>([]);
    const [onlyDiffers, differ] = useState(true);
    const on = cuts.find((candidate) => candidate.id === cut) ?? cuts[0];
    const slugs = [item.slug, ...beside.filter((slug) => slug !== item.slug)];
    const cards = slugs.map((slug) => presets.find((preset) => preset.slug === slug));
    const plan = useQuery({
        queryKey: keys.tried(on?.id, slugs, item.version),
        queryFn: () =>
            api.plan({
                cut: on?.id ?? 0,
                outputs: slugs.map((preset, i) => ({ preset, host: cards[i]?.host ?? null })),
            }),
        enabled: on !== undefined && item.fault === null,
        placeholderData: (before) => (before?.outputs.length === slugs.length ? before : undefined),
    });
    const cells = useChoices().data?.cells ?? [];
    const plans = plan.data?.outputs ?? [];
    const rules = new Map(item.rows.map((row) => [row.label, row.text]));
    const rows = cells.filter(
        ({ name }) =>
            plans.length < 2 ||
            !onlyDiffers ||
            new Set(plans.map((column) => column.values[name as CellName].label)).size > 1,
    );
    const head = 'sticky top-0 bg-page px-3 py-1.5 text-left align-bottom';
    return (
        <section aria-label="On a cut" className="mt-4">
            <div className="mb-1 flex items-center gap-3 text-[13px]">
                <label htmlFor="tried-on" className="text-soft">
                    On the cut
                </label>
                <select
                    id="tried-on"
                    value={on?.id ?? ''}
                    disabled={cuts.length === 0}
                    onChange={(event) => {
                        localStorage.setItem(kept, event.target.value);
                        setCut(Number(event.target.value));
                    }}
                    className="h-7 max-w-[280px] rounded border border-line bg-page px-1.5"
                >
                    {cuts.length === 0 && <option>the shelf is empty</option>}
                    {cuts.map((candidate) => (
                        <option key={candidate.id} value={candidate.id}>
                            {candidate.name}
                        </option>
                    ))}
                </select>
                {shelf.hasNextPage && (
                    <Button kind="quiet" disabled={shelf.isFetchingNextPage} onClick={() => shelf.fetchNextPage()}>
                        More cuts
                    </Button>
                )}
                {slugs.length < MOST && <Beside presets={presets} add={(slug) => setBeside([...beside, slug])} />}
                {slugs.length > 1 && (
                    <label className="flex items-center gap-1.5">
                        <input
                            type="checkbox"
                            checked={onlyDiffers}
                            onChange={() => differ(!onlyDiffers)}
                            className="accent-rust"
                        />
                        only what differs
                    </label>
                )}
            </div>
            {plan.error && <Trouble message={plan.error.message} />}
            <table
                className={`w-full table-fixed border-t border-rule text-[13px] ${plan.isPlaceholderData ? 'opacity-50' : ''}`}
                aria-label={on === undefined ? 'What the preset says' : `What the preset decides for ${on.name}`}
            >
                <colgroup>
                    <col style={{ width: 104 }} />
                    {slugs.length === 1 && <col />}
                    {slugs.map((slug) => (
                        <col key={slug} />
                    ))}
                </colgroup>
                <thead className="text-soft">
                    <tr className="border-b border-line">
                        <td />
                        {slugs.length === 1 && (
                            <th scope="col" className={head}>
                                Its rule
                            </th>
                        )}
                        {slugs.map((slug, i) => (
                            <th key={slug} scope="col" className={head}>
                                <span className="flex items-center gap-2">
                                    <span className="truncate">
                                        {slugs.length === 1 ? `On ${on?.name ?? 'no cut'}` : (cards[i]?.name ?? slug)}
                                    </span>
                                    {i > 0 && (
                                        <button
                                            type="button"
                                            aria-label={`Leave ${cards[i]?.name ?? slug} out`}
                                            onClick={() => setBeside(beside.filter((other) => other !== slug))}
                                            className="flex size-5 flex-none items-center justify-center rounded hover:bg-sunk"
                                        >
                                            <X size={13} />
                                        </button>
                                    )}
                                </span>
                            </th>
                        ))}
                    </tr>
                </thead>
                <tbody>
                    {rows.map(({ name, label }) => (
                        <tr key={name} className="border-b border-line align-top">
                            <th scope="row" className="py-[5px] text-soft">
                                {label}
                            </th>
                            {slugs.length === 1 && (
                                <td className="px-3 py-[5px] text-soft">
                                    <Figures text={rules.get(label) ?? '–'} />
                                </td>
                            )}
                            {slugs.map((slug, i) => (
                                <td key={slug} className="border-l border-line bg-surface px-3 py-[5px]">
                                    <Decided plan={plans[i]} cell={name as CellName} />
                                </td>
                            ))}
                        </tr>
                    ))}
                    {rows.length === 0 && (
                        <tr>
                            <td colSpan={slugs.length + 1} className="py-4 text-soft">
                                Nothing differs on this cut.
                            </td>
                        </tr>
                    )}
                    <Results plans={plans} slugs={slugs} />
                </tbody>
            </table>
        </section>
    );
}

function Decided({ plan, cell }: { plan: Plan | undefined; cell: CellName }) {
    const value = plan?.values[cell];
    return (
        <span className="flex items-baseline gap-2">
            <Figures text={value?.label ?? ''} />
            {value !== undefined && value.label !== '–' && (
                <Figures
                    className="ml-auto min-w-0 text-right text-[11.5px] text-faint"
                    text={plan?.origins[cell]?.text ?? ''}
                />
            )}
        </span>
    );
}

function Results({ plans, slugs }: { plans: Plan[]; slugs: string[] }) {
    const rows: [string, (plan: Plan) => string][] = [
        ['File size', ({ estimate }) => `≈ ${estimate.bytesLabel} ± ${estimate.marginPercent} %`],
        ['To make', ({ estimate }) => `≈ ${estimate.secondsLabel}`],
    ];
    const lead = slugs.length === 1 && <td />;
    return (
        <>
            {rows.map(([label, text], at) => (
                <tr key={label} className={`border-b border-line ${at === 0 ? 'border-t border-t-rule' : ''}`}>
                    <th scope="row" className="py-[5px] text-soft">
                        {label}
                    </th>
                    {lead}
                    {slugs.map((slug, i) => (
                        <td key={slug} className="border-l border-line bg-surface px-3 font-medium">
                            {plans[i] && <Figures text={text(plans[i])} />}
                        </td>
                    ))}
                </tr>
            ))}
            <tr className="border-b border-line">
                <th scope="row" className="py-[5px] text-soft">
                    Findings
                </th>
                {lead}
                {slugs.map((slug, i) => (
                    <td key={slug} className="max-w-0 border-l border-line bg-surface px-3">
                        {plans[i] && (
                            <FindingsCell
                                label={`Findings of ${plans[i].presetName}`}
                                findings={plans[i].findings.map((finding) => ({ ...finding, remedy: null }))}
                            />
                        )}
                    </td>
                ))}
            </tr>
        </>
    );
}

function Beside({ presets, add }: { presets: PresetCard[]; add: (slug: string) => void }) {
    const [open, setOpen] = useState(false);
    const [chosen, choose] = useState<string | null>(null);
    return (
        <Popover
            open={open}
            onOpenChange={setOpen}
            label="A preset to put beside it"
            width={360}
            anchor={
                <button
                    type="button"
                    onClick={() => setOpen(true)}
                    className="text-soft underline decoration-dotted underline-offset-3 hover:text-ink"
                >
                    Put another beside it
                </button>
            }
        >
            <PresetPicker
                presets={presets}
                chosen={chosen}
                label="Preset to put beside it"
                choose={(preset) => choose(preset.slug)}
                take={(preset) => {
                    add(preset.slug);
                    setOpen(false);
                }}
            />
            <Button
                kind="primary"
                className="mt-2"
                disabled={chosen === null}
                title={chosen === null ? 'Choose a preset first' : undefined}
                onClick={() => {
                    if (chosen !== null) {
                        add(chosen);
                        setOpen(false);
                    }
                }}
            >
                Put it beside
            </Button>
        </Popover>
    );
}
