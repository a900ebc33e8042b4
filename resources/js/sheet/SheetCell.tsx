import { useState } from 'react';
import type { Plan, Rules } from '../api/types';
import { Figures } from '../ui/Figures';
import { Mark } from '../ui/Mark';
import { Popover } from '../ui/Popover';
import { ChoiceEditor } from './ChoiceEditor';
import type { CellName, Output } from './outputs';
import { RateEditor } from './RateEditor';

interface Props {
    name: CellName;
    rowLabel: string;
    at: string;
    first: boolean;
    plan: Plan | undefined;
    output: Output;
    /** Changes the cell's rule; null puts the preset's back. Changes that share a step are undone together. */
    edit: (rule: Rules[keyof Rules] | null, step?: string | null) => void;
    planning: boolean;
}

const washes = { stop: 'bg-stop-wash', caution: 'bg-caution-wash', note: 'bg-surface' };

/** A decided value with where it came from; Enter or a click opens its editor in place. */
export function SheetCell({ name, rowLabel, at, first, plan, output, edit, planning }: Props) {
    const [open, setOpen] = useState(false);
    if (plan === undefined) {
        return <td className="border-b border-l border-line bg-surface px-3 text-faint">…</td>;
    }
    const origin = plan.origins[name];
    const finding = plan.findings.find((candidate) => candidate.cell === name);
    const yours = origin.from === 'you';
    const editable = name !== 'colour' && !(name === 'keyframes' && plan.values.keyframes.frames === 1);
    const value = plan.values[name].label;
    const Tag = editable ? 'button' : 'div';
    const content = (
        <Tag
            {...(editable ? { type: 'button' as const, onClick: () => setOpen(true) } : {})}
            data-at={at}
            tabIndex={first ? 0 : -1}
            aria-label={`${rowLabel} of output ${Number(at.split(',')[1]) + 1}: ${value}, ${yours ? 'changed by you, ' : ''}${origin.text}`}
            title={`${value}\n${yours ? 'you · ' : ''}${origin.text}${finding ? `\n${finding.text}` : ''}`}
            className={`relative flex h-[29px] w-full items-center gap-2 px-3 text-left focus-visible:bg-rust-wash focus-visible:outline-offset-[-2px] ${editable ? 'hover:bg-sunk' : 'cursor-default'} ${open ? 'bg-rust-wash outline-2 outline-offset-[-2px] outline-rust' : ''}`}
        >
            {yours && <span className="absolute left-1 size-[5px] rounded-full bg-rust" />}
            {finding && <Mark kind={finding.severity} />}
            <Figures
                className={`truncate ${origin.from === 'cut' ? 'text-soft' : ''} ${planning ? 'opacity-50' : ''}`}
                text={value}
            />
            <Figures
                className="ml-auto min-w-0 shrink-[999] truncate pl-1 text-[11.5px] text-faint"
                text={
                    yours
                        ? `you${origin.from === 'you' && origin.text.startsWith('asks') ? ` · ${origin.text}` : ''}`
                        : origin.text
                }
            />
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
                    label={`${rowLabel} of ${plan.presetName}`}
                    anchor={content}
                    width={name === 'rate' ? 320 : 340}
                >
                    {name === 'rate' ? (
                        <RateEditor
                            plan={plan}
                            rule={output.edits.rate ?? null}
                            edit={edit}
                            close={() => setOpen(false)}
                        />
                    ) : (
                        <ChoiceEditor
                            cell={name as Exclude<CellName, 'rate' | 'colour'>}
                            title={rowLabel}
                            value={value}
                            yours={yours}
                            choose={(rule) => {
                                edit(rule);
                                setOpen(false);
                            }}
                        />
                    )}
                </Popover>
            ) : (
                content
            )}
        </td>
    );
}
