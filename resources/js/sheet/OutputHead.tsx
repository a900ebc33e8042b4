import { Columns2, Copy, Trash2 } from 'lucide-react';
import { memo, useState } from 'react';
import type { Plan } from '../api/types';
import { ColumnPreset } from './ColumnPreset';
import type { Output } from './outputs';
import { SendOutput } from './SendOutput';
import type { Columns } from './useColumns';

interface Props {
    cut: number;
    output: Output;
    plan: Plan | undefined;
    number: number;
    at: string;
    columns: Columns;
    compared: boolean;
    compare: (key: string) => void;
    planning: boolean;
}

const dragged = 'application/x-outer-crate-column';

/** What a column makes, and what can be done with it; it is dragged by its head, or moved with Alt and an arrow. */
export const OutputHead = memo(function OutputHead({
    cut,
    output,
    plan,
    number,
    at,
    columns,
    compared,
    compare,
    planning,
}: Props) {
    const [over, setOver] = useState(false);
    const name =
        plan === undefined ? output.preset : `${plan.presetName}${plan.hostName === null ? '' : ` → ${plan.hostName}`}`;
    return (
        <th
            scope="col"
            draggable
            onDragStart={(event) => {
                event.dataTransfer.setData(dragged, output.key);
                event.dataTransfer.effectAllowed = 'move';
            }}
            onDragOver={(event) => {
                if (event.dataTransfer.types.includes(dragged)) {
                    event.preventDefault();
                    setOver(true);
                }
            }}
            onDragLeave={() => setOver(false)}
            onDrop={(event) => {
                setOver(false);
                columns.drop(event.dataTransfer.getData(dragged), output.key);
            }}
            className={`group sticky top-0 z-10 max-w-0 border-b border-l border-b-rule border-l-line px-3 ${over ? 'bg-rust-wash' : 'bg-page'} ${compared ? 'shadow-[inset_0_-3px_0_var(--rust)]' : ''}`}
        >
            <span className="flex items-baseline gap-2">
                <button
                    type="button"
                    data-at={at}
                    tabIndex={-1}
                    aria-label={`Output ${number}: ${plan?.role ?? ''} ${name}`}
                    title="Drag to move; Alt ← → moves it, Ctrl C copies it, Delete removes it"
                    className={`cursor-grab rounded font-stencil text-[16px] tracking-[.05em] uppercase`}
                >
                    {plan?.role ?? '…'}
                </button>
                <span className="ml-auto flex gap-1">
                    <SendOutput cut={cut} output={output} number={number} />
                    <Tool label={`Compare output ${number}`} pressed={compared} onClick={() => compare(output.key)}>
                        <Columns2 size={13} />
                    </Tool>
                    <Tool label={`Duplicate output ${number}`} onClick={() => columns.duplicate(output.key)}>
                        <Copy size={13} />
                    </Tool>
                    <Tool
                        label={`Remove output ${number}`}
                        onClick={() => {
                            columns.remove(output.key);
                            window.setTimeout(() => focusHead(at), 0);
                        }}
                    >
                        <Trash2 size={13} />
                    </Tool>
                </span>
                <span className="figure text-faint">{number}</span>
            </span>
            <ColumnPreset
                cut={cut}
                output={output}
                plan={plan}
                number={number}
                columns={columns}
                planning={planning}
                name={name}
            />
        </th>
    );
});

/** To the head that stands where one was removed, or to the last one. */
function focusHead(at: string) {
    const heads = [...document.querySelectorAll<HTMLElement>('[data-at^="-2,"]')];
    (heads.find((head) => head.dataset.at === at) ?? heads.at(-1))?.focus();
}

interface ToolProps {
    label: string;
    pressed?: boolean;
    onClick: () => void;
    children: React.ReactNode;
}

function Tool({ label, pressed, onClick, children }: ToolProps) {
    return (
        <button
            type="button"
            aria-label={label}
            aria-pressed={pressed}
            title={label}
            onClick={onClick}
            className="flex size-5 items-center justify-center self-center rounded text-faint hover:bg-sunk hover:text-ink aria-pressed:text-rust"
        >
            {children}
        </button>
    );
}
