import { useQuery } from '@tanstack/react-query';
import { useState } from 'react';
import { api } from '../api/client';
import { keys } from '../api/keys';
import type { Retention as Limits, RetentionPreview, SettingsRequest } from '../api/types';
import { Button } from '../ui/Button';
import { Figures } from '../ui/Figures';
import { Trouble } from '../ui/States';
import { useSettled } from '../ui/useSettled';
import { numberIn } from './numberIn';

type Kind = RetentionPreview['kinds'][number]['kind'];

type Typed = Record<Kind, { days: string; gigabytes: string }>;

const kinds: readonly { kind: Kind; label: string; about: string }[] = [
    { kind: 'logs', label: 'Logs of runs', about: 'Slips are kept.' },
    { kind: 'tests', label: 'Transit tests', about: 'Presets saved from them are kept.' },
    { kind: 'samples', label: 'Samples', about: 'Opening a sheet encodes new ones.' },
    { kind: 'derived', label: 'Derived files', about: 'Exact frames and test steps are recreated on demand.' },
];

/** An empty field means no limit. */
const limitIn = (text: string) => (text.trim() === '' ? null : numberIn(text));

const typedOf = (limits: Limits) =>
    Object.fromEntries(
        kinds.map(({ kind }) => [
            kind,
            { days: String(limits[kind]?.days ?? ''), gigabytes: String(limits[kind]?.gigabytes ?? '') },
        ]),
    ) as Typed;

const limitsOf = (typed: Typed): Limits =>
    Object.fromEntries(
        kinds.map(({ kind }) => [kind, { days: limitIn(typed[kind].days), gigabytes: limitIn(typed[kind].gigabytes) }]),
    );

interface Props {
    kept: Limits;
    save: {
        mutate: (change: SettingsRequest) => void;
        isPending: boolean;
        error: Error | null;
        variables: SettingsRequest | undefined;
    };
}

/** Retention limits, with a preview of what they would delete. */
export function Retention({ kept, save }: Props) {
    const [typed, type] = useState(() => typedOf(kept));
    const asked = useSettled(JSON.stringify(limitsOf(typed)));
    const preview = useQuery({
        queryKey: keys.retention(asked),
        queryFn: () => api.previewRetention(JSON.parse(asked)),
        placeholderData: (before) => before,
        retry: false,
    });
    const isOther = JSON.stringify(limitsOf(typed)) !== JSON.stringify(limitsOf(typedOf(kept)));
    const trouble = preview.error ?? (save.variables?.retention === undefined ? null : save.error);
    const set = (kind: Kind, part: 'days' | 'gigabytes', text: string) =>
        type({ ...typed, [kind]: { ...typed[kind], [part]: text } });
    return (
        <section aria-labelledby="retention" className="mt-6">
            <h2 id="retention" className="font-stencil text-[16px] tracking-[.05em]">
                RETENTION
            </h2>
            <p className="mb-2 text-[13px] text-soft">
                Outer Crate deletes whatever exceeds these limits once an hour, oldest first. It always keeps documents,
                slips and finished files. Leave a field empty for no limit.
            </p>
            <table className="w-full table-fixed border-t-2 border-rule text-[13px]">
                <thead>
                    <tr className="h-[30px] border-b border-rule text-left text-soft">
                        <th scope="col" className="w-[140px]">
                            Kind
                        </th>
                        <th scope="col" className="w-[110px]">
                            Days
                        </th>
                        <th scope="col" className="w-[110px]">
                            GB
                        </th>
                        <th scope="col" className="w-[150px]">
                            Kept now
                        </th>
                        <th scope="col" className="w-[170px]">
                            Would be deleted
                        </th>
                        <th scope="col">
                            <span className="sr-only">What follows</span>
                        </th>
                    </tr>
                </thead>
                <tbody>
                    {kinds.map(({ kind, label, about }) => {
                        const now = preview.data?.kinds.find((one) => one.kind === kind);
                        return (
                            <tr key={kind} className="h-[38px] border-b border-line">
                                <th scope="row" className="text-left font-medium">
                                    {label}
                                </th>
                                {(['days', 'gigabytes'] as const).map((part) => (
                                    <td key={part}>
                                        <input
                                            inputMode="decimal"
                                            aria-label={`${label}: ${part}`}
                                            placeholder="no limit"
                                            value={typed[kind][part]}
                                            onChange={(event) => set(kind, part, event.target.value)}
                                            className="h-7 w-[90px] rounded border border-line bg-page px-2"
                                        />
                                    </td>
                                ))}
                                <td>{now && <Figures text={`${now.items} · ${now.label}`} />}</td>
                                <td className={now?.deletedItems ? 'text-stop' : 'text-faint'}>
                                    {now && (
                                        <Figures
                                            text={
                                                now.deletedItems === 0
                                                    ? 'nothing'
                                                    : `${now.deletedItems} · ${now.deletedLabel}`
                                            }
                                        />
                                    )}
                                </td>
                                <td className="truncate text-soft" title={about}>
                                    {about}
                                </td>
                            </tr>
                        );
                    })}
                </tbody>
            </table>
            {trouble && (
                <div className="mt-2">
                    <Trouble message={trouble.message} />
                </div>
            )}
            {isOther && (
                <div className="mt-3 flex gap-2">
                    <Button
                        kind="primary"
                        disabled={save.isPending || preview.error !== null}
                        onClick={() => save.mutate({ retention: limitsOf(typed) })}
                    >
                        Save limits
                    </Button>
                    <Button kind="quiet" onClick={() => type(typedOf(kept))}>
                        Cancel
                    </Button>
                </div>
            )}
        </section>
    );
}
