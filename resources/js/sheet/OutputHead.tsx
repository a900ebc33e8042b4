import { Copy, Trash2 } from 'lucide-react';
import type { Plan } from '../api/types';
import type { Output } from './outputs';

interface Props {
    output: Output;
    plan: Plan | undefined;
    number: number;
    remove: () => void;
    duplicate: () => void;
}

export function OutputHead({ output, plan, number, remove, duplicate }: Props) {
    const name =
        plan === undefined ? output.preset : `${plan.presetName}${plan.hostName === null ? '' : ` → ${plan.hostName}`}`;
    return (
        <th scope="col" className="group sticky top-0 z-10 border-b border-l border-b-rule border-l-line bg-page px-3">
            <span className="flex items-baseline gap-2">
                <span
                    className={`font-stencil text-[16px] tracking-[.05em] uppercase ${plan?.role === 'upload' ? 'text-rust' : ''}`}
                >
                    {plan?.role ?? '…'}
                </span>
                <span className="ml-auto flex gap-1 opacity-0 group-focus-within:opacity-100 group-hover:opacity-100">
                    <Tool label={`Duplicate output ${number}`} onClick={duplicate}>
                        <Copy size={13} />
                    </Tool>
                    <Tool label={`Remove output ${number}`} onClick={remove}>
                        <Trash2 size={13} />
                    </Tool>
                </span>
                <span className="figure text-faint">{number}</span>
            </span>
            <span className="block truncate text-soft" title={name}>
                {name}
            </span>
        </th>
    );
}

function Tool({ label, onClick, children }: { label: string; onClick: () => void; children: React.ReactNode }) {
    return (
        <button
            type="button"
            aria-label={label}
            title={label}
            onClick={onClick}
            className="flex size-5 items-center justify-center self-center rounded text-faint hover:bg-sunk hover:text-ink"
        >
            {children}
        </button>
    );
}
