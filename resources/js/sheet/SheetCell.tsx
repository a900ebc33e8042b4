import { memo, useRef, useState } from 'react';
import { useChoices } from '../api/queries';
import type { Cut, Edits, Plan } from '../api/types';
import { lookOf } from '../cells';
import { Figures } from '../ui/Figures';
import { Mark } from '../ui/Mark';
import { Popover } from '../ui/Popover';
import { spoken } from '../ui/spoken';
import { CellEditor, hasSides } from './CellEditor';
import { cancelling } from './history';
import { canChange, type Output, type Rule, same } from './outputs';
import type { Row } from './rows';
import { textOf } from './rows';
import type { Columns } from './useColumns';

interface Props {
    cut: Cut;
    row: Row;
    at: string;
    number: number;
    first: boolean;
    plan: Plan | undefined;
    output: Output;
    columns: Columns;
    planning: boolean;
}

/** From the results to the bottom of the window, in pixels: an editor never covers what it changes. */
function resultsAndStrip(): number {
    const results = document.querySelector('#sheet tfoot')?.getBoundingClientRect();
    return results === undefined ? 12 : Math.max(12, window.innerHeight - results.top + 4);
}

const washes = { stop: 'bg-stop-wash', caution: 'bg-caution-wash', note: 'bg-surface' };

/** A decided value with where it came from; Enter or a click opens its editor in place. */
export const SheetCell = memo(Cell, (before, after) => {
    const { row: _, ...rest } = after;
    return (
        before.row.cell === after.row.cell &&
        before.row.part === after.row.part &&
        before.row.label === after.row.label &&
        (Object.keys(rest) as (keyof typeof rest)[]).every((name) => before[name] === after[name])
    );
});

function Cell({ cut, row, at, number, first, plan, output, columns, planning }: Props) {
    const [open, setOpen] = useState(false);
    /** The rule when a field of the editor was entered. */
    const before = useRef<Rule | null>(null);
    const sided = hasSides(row, useChoices().data);
    if (plan === undefined) {
        return <td className="border-b border-l border-line bg-surface px-3 text-faint">…</td>;
    }
    const name = row.cell;
    const origin = plan.origins[name] ?? unsaid;
    const finding = row.part === null ? plan.findings.find((candidate) => candidate.cell === name) : undefined;
    const rule = output.edits[name];
    const yours =
        row.part === null ? origin.from === 'you' : typeof rule === 'object' && rule !== null && row.part.key in rule;
    const editable = canChange(plan, name);
    const value = textOf(plan, row);
    const absent = plan.values[name].label === '–';
    const from = absent ? '' : row.part === null ? origins(plan, name, yours) : yours ? 'you' : '';
    const Tag = editable ? 'button' : 'div';
    const enter = () => {
        before.current = (output.edits[name] ?? null) as Rule | null;
    };
    // Esc takes back what was typed since then.
    const cancel = () => {
        const now = output.edits[name] ?? null;
        if (!same(now, before.current)) {
            columns.edit(output.key, { [name]: before.current } as Edits, cancelling);
        }
    };
    const content = (
        <Tag
            {...(editable ? { type: 'button' as const, onClick: () => setOpen(true) } : {})}
            data-at={at}
            tabIndex={first ? 0 : -1}
            // What is read aloud holds what is seen, in the same order (WCAG 2.2, 2.5.3).
            aria-label={spoken(
                `${row.label} of output ${number}: ${value}, ${from || origin.text}${yours ? ', changed by you' : ''}`,
            )}
            title={[value, `${yours ? 'you · ' : ''}${origin.text}`, asked(plan, name), finding?.text]
                .filter(Boolean)
                .join('\n')}
            className={`relative flex h-[29px] w-full items-center gap-2 px-3 text-left focus-visible:bg-rust-wash focus-visible:outline-offset-[-2px] ${editable ? 'hover:bg-sunk' : 'cursor-default'} ${open ? 'bg-rust-wash outline-2 outline-offset-[-2px] outline-rust' : ''}`}
        >
            {yours && <span className="absolute left-1 size-[5px] rounded-full bg-rust" />}
            {finding && <Mark kind={finding.severity} />}
            <Figures
                className={`truncate ${origin.from === 'cut' || row.part !== null ? 'text-soft' : ''} ${planning ? 'opacity-50' : ''}`}
                text={value}
            />{' '}
            <span className="ml-auto min-w-0 shrink-[999] truncate pl-1 text-[11.5px] text-faint tabular-nums">
                {from}
            </span>
        </Tag>
    );
    return (
        <td
            className={`max-w-0 border-b border-l border-line p-0 ${finding ? washes[finding.severity] : 'bg-surface'}`}
        >
            {editable ? (
                <Popover
                    open={open}
                    onOpenChange={setOpen}
                    onType={enter}
                    onCancel={cancel}
                    label={`${row.label} of ${plan.presetName}`}
                    anchor={content}
                    width={lookOf(name).width?.(plan) ?? (sided ? 700 : 404)}
                    // Above its cell it leaves the results in sight.
                    side="top"
                    tall
                    clear={open ? resultsAndStrip() : undefined}
                >
                    <CellEditor
                        cut={cut}
                        row={row}
                        plan={plan}
                        output={output}
                        yours={yours}
                        edit={(rule, step) => columns.edit(output.key, { [name]: rule } as Edits, step)}
                        apply={(remedy) => columns.remedy(output.key, remedy)}
                        close={() => setOpen(false)}
                    />
                </Popover>
            ) : (
                content
            )}
        </td>
    );
}

/** Of a value that an earlier version planned without saying where it came from. */
const unsaid = { from: 'rule', text: '' } as const;

const asked = (plan: Plan, name: Row['cell']) => {
    const text = plan.asks[name];
    return text === undefined ? '' : `${plan.hostName} asks ${text}`;
};

/** Where it came from, and what the host asks where that is not said already. */
function origins(plan: Plan, name: Row['cell'], yours: boolean): string {
    const origin = plan.origins[name] ?? unsaid;
    const asks = plan.asks[name];
    const own = yours ? 'you' : origin.text;
    return asks === undefined || own.includes('asks') ? own : `${own} · asks ${asks}`;
}
