import { type KeyboardEvent, useRef } from 'react';
import { useMachine } from '../api/queries';
import type { Cut, Edits, Plan, Range, Sheet } from '../api/types';
import { Figures } from '../ui/Figures';
import { AddOutput } from './AddOutput';
import { cutValue } from './cutValue';
import { FindingsCell } from './FindingsCell';
import { LineSpeed } from './LineSpeed';
import { OutputHead } from './OutputHead';
import { cells, type Output, withEdit } from './outputs';
import { RangeCell } from './RangeCell';
import { SheetCell } from './SheetCell';

interface Props {
    cut: Cut;
    sheet: Sheet;
    outputs: Output[];
    change: (outputs: Output[], name?: string | null) => void;
    setRange: (range: Range) => void;
    planning: boolean;
}

const label = 'sticky left-0 z-10 bg-page px-3 text-soft border-b border-line';
const cutCell = 'sticky left-[112px] z-10 bg-sunk border-l border-b border-line px-3 truncate max-w-0';
const result = 'border-l border-b border-line bg-surface px-3 font-medium whitespace-nowrap';

/** The comparison table: the cut, one column for each file to make, and what comes of it. */
export function SheetTable({ cut, sheet, outputs, change, setRange, planning }: Props) {
    const table = useRef<HTMLTableElement>(null);
    const plans = new Map<string, Plan>(sheet.outputs.map((output) => [output.key, output.plan]));
    const ranges = new Map(sheet.outputs.map((output) => [output.key, output.range]));
    const dim = planning ? 'opacity-50' : '';
    const edit = (key: string, patch: Edits, name: string | null = null) => change(withEdit(outputs, key, patch), name);

    /** Arrows move from cell to cell, as in any table of cells. */
    const onKey = (event: KeyboardEvent) => {
        const step = { ArrowUp: [-1, 0], ArrowDown: [1, 0], ArrowLeft: [0, -1], ArrowRight: [0, 1] }[event.key];
        const place = event.target instanceof HTMLElement ? event.target.dataset.at?.split(',').map(Number) : undefined;
        if (step === undefined || place === undefined || event.ctrlKey || event.altKey || event.metaKey) {
            return;
        }
        const next = table.current?.querySelector<HTMLElement>(
            `[data-at="${(place[0] ?? 0) + (step[0] ?? 0)},${(place[1] ?? 0) + (step[1] ?? 0)}"]`,
        );
        event.preventDefault();
        next?.focus();
    };

    return (
        <div className="-mx-5 min-h-[420px] flex-1 overflow-auto px-5">
            <table
                ref={table}
                onKeyDown={onKey}
                aria-label={`Sheet of ${cut.name}`}
                className="w-full table-fixed border-separate border-spacing-0 border-t-2 border-rule text-[13px]"
                style={{ minWidth: 112 + 216 + 64 + outputs.length * 236 }}
            >
                <colgroup>
                    <col style={{ width: 112 }} />
                    <col style={{ width: 216 }} />
                    {outputs.map((output) => (
                        <col key={output.key} />
                    ))}
                    <col style={{ width: 64 }} />
                </colgroup>
                <thead>
                    <tr>
                        <td className="sticky top-0 left-0 z-20 border-b border-rule bg-page" />
                        <th
                            scope="col"
                            className="sticky top-0 left-[112px] z-20 h-[58px] border-b border-l border-b-rule border-l-line bg-page px-3"
                        >
                            <span className="block font-stencil text-[16px] tracking-[.05em]">THE CUT</span>
                            <span className="block truncate text-soft">as it came</span>
                        </th>
                        {outputs.map((output, i) => (
                            <OutputHead
                                key={output.key}
                                output={output}
                                plan={plans.get(output.key)}
                                number={i + 1}
                                remove={() => change(outputs.filter((other) => other.key !== output.key))}
                                duplicate={() => change([...outputs, { ...output, key: crypto.randomUUID() }])}
                            />
                        ))}
                        <td rowSpan={cells.length + 6} className="border-l border-line bg-page text-center align-top">
                            <AddOutput
                                add={(preset, host) =>
                                    change([
                                        ...outputs,
                                        { key: crypto.randomUUID(), preset, host, edits: {}, range: null },
                                    ])
                                }
                                full={outputs.length >= 40}
                            />
                        </td>
                    </tr>
                </thead>
                <tbody>
                    <tr className="row-30">
                        <th scope="row" className={label}>
                            Range
                        </th>
                        <td className={cutCell} title={`${sheet.range.firstLabel} to ${sheet.range.lastLabel}`}>
                            <Figures
                                text={
                                    sheet.range.whole
                                        ? `all · ${sheet.range.durationLabel}`
                                        : `${sheet.range.durationLabel} of ${cut.durationLabel}`
                                }
                            />
                        </td>
                        {outputs.map((output, column) => (
                            <RangeCell
                                key={output.key}
                                cut={cut}
                                number={column + 1}
                                range={ranges.get(output.key)}
                                setRange={(range) =>
                                    change(
                                        outputs.map((other) =>
                                            other.key === output.key ? { ...other, range } : other,
                                        ),
                                    )
                                }
                                planning={planning}
                            />
                        ))}
                    </tr>
                    {cells.map(({ name, label: text }, row) => (
                        <tr key={name} className="row-30">
                            <th scope="row" className={label}>
                                {text}
                            </th>
                            <td className={cutCell} title={cutValue(cut, name)}>
                                <Figures text={cutValue(cut, name)} />
                            </td>
                            {outputs.map((output, column) => (
                                <SheetCell
                                    key={output.key}
                                    name={name}
                                    rowLabel={text}
                                    at={`${row},${column}`}
                                    first={row === 0 && column === 0}
                                    plan={plans.get(output.key)}
                                    output={output}
                                    edit={(rule, step) => edit(output.key, { [name]: rule } as Edits, step)}
                                    planning={planning}
                                />
                            ))}
                        </tr>
                    ))}
                </tbody>
                <tfoot className={dim}>
                    <ResultRow
                        name="File"
                        cut={cut.bytesLabel}
                        cutTitle={`${cut.bytes.toLocaleString('en')} bytes`}
                        first
                        bottom={90}
                        outputs={outputs}
                        plans={plans}
                    >
                        {(plan) => (
                            <span
                                title={`${plan.estimate.bytes.toLocaleString('en')} bytes, give or take ${plan.estimate.marginPercent} %`}
                            >
                                <Figures text={`≈ ${plan.estimate.bytesLabel}`} />
                                {plan.estimate.marginPercent > 20 && (
                                    <Figures
                                        className="ml-2 font-normal text-faint"
                                        text={`± ${plan.estimate.marginPercent} %`}
                                    />
                                )}
                            </span>
                        )}
                    </ResultRow>
                    <ResultRow name="To make" bottom={60} outputs={outputs} plans={plans}>
                        {(plan) => <Figures text={`≈ ${plan.estimate.secondsLabel}`} />}
                    </ResultRow>
                    <ResultRow name="To send" bottom={30} outputs={outputs} plans={plans}>
                        {(plan) =>
                            plan.estimate.sendLabel === null ? (
                                <span className="font-normal text-faint">stays here</span>
                            ) : (
                                <SendTime time={plan.estimate.sendLabel} />
                            )
                        }
                    </ResultRow>
                    <tr className="row-30">
                        <th scope="row" className={`${label} sticky bottom-0 z-20`}>
                            Findings
                        </th>
                        <td className={`${cutCell} sticky bottom-0 z-20`}>
                            <FindingsCell
                                label={`Findings of ${cut.name}`}
                                findings={sheet.noticed.map((notice) => ({
                                    ...notice,
                                    remedy: notice.range && {
                                        text: 'Leave it out',
                                        apply: () => notice.range && setRange(notice.range),
                                    },
                                }))}
                            />
                        </td>
                        {outputs.map((output) => (
                            <td key={output.key} className={`${result} sticky bottom-0 max-w-0`}>
                                <FindingsCell
                                    label={`Findings of ${plans.get(output.key)?.presetName ?? output.preset}`}
                                    findings={(plans.get(output.key)?.findings ?? []).map((finding) => ({
                                        ...finding,
                                        remedy: finding.remedy && {
                                            text: finding.remedy.text,
                                            apply: () => edit(output.key, finding.remedy?.patch ?? {}),
                                        },
                                    }))}
                                />
                            </td>
                        ))}
                    </tr>
                </tfoot>
            </table>
        </div>
    );
}

interface ResultProps {
    name: string;
    cut?: string;
    cutTitle?: string;
    first?: boolean;
    bottom: number;
    outputs: Output[];
    plans: Map<string, Plan>;
    children: (plan: Plan) => React.ReactNode;
}

function ResultRow({ name, cut, cutTitle, first, bottom, outputs, plans, children }: ResultProps) {
    const rule = first ? 'border-t border-t-rule' : '';
    return (
        <tr className="row-30">
            <th scope="row" className={`${label} ${rule} z-20`} style={{ bottom }}>
                {name}
            </th>
            <td className={`${cutCell} ${rule} z-20`} style={{ bottom }} title={cutTitle}>
                {cut && <Figures text={cut} />}
            </td>
            {outputs.map((output) => {
                const plan = plans.get(output.key);
                return (
                    <td key={output.key} className={`${result} ${rule} sticky`} style={{ bottom }}>
                        {plan ? children(plan) : '…'}
                    </td>
                );
            })}
        </tr>
    );
}

function SendTime({ time }: { time: string }) {
    const { data } = useMachine();
    return (
        <>
            <Figures text={`≈ ${time} `} />
            {data && <LineSpeed machine={data} />}
        </>
    );
}
