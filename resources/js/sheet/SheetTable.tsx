import { useCallback, useRef, useState } from 'react';
import { useChoices } from '../api/queries';
import type { Cut, Plan, Range, Sheet } from '../api/types';
import { Button } from '../ui/Button';
import { Figures } from '../ui/Figures';
import { Trouble } from '../ui/States';
import { AddOutput } from './AddOutput';
import { FindingsCell } from './FindingsCell';
import { cutCell, head, result } from './looks';
import { OutputHead } from './OutputHead';
import { type Output, outputsOf } from './outputs';
import { RangeCell } from './RangeCell';
import { ResultRows } from './ResultRows';
import { RowHead } from './RowHead';
import { type Row, rowsOf, textOf } from './rows';
import { SheetCell } from './SheetCell';
import { useColumns } from './useColumns';
import { usePresetKeys } from './usePresetKeys';
import { useSheetKeys } from './useSheetKeys';
import { useUnfolded } from './useUnfolded';

interface Props {
    cut: Cut;
    sheet: Sheet;
    outputs: Output[];
    change: (outputs: Output[], name?: string | null) => void;
    setRange: (range: Range) => void;
    planning: boolean;
}

/** Width of what stands beside the outputs, and of an output at most: value and origin are read together. */
const FIXED = 112 + 216 + 64;
const WIDEST = 424;

/** Outputs on a sheet at most (resources/schema/sheet-request.json). */
const MOST = 40;

/** The comparison table: the cut, one column for each file to make, and what comes of it. */
export function SheetTable({ cut, sheet, outputs, change, setRange, planning }: Props) {
    const table = useRef<HTMLTableElement>(null);
    const [unfolded, fold] = useUnfolded();
    const [chosen, setChosen] = useState<string[]>([]);
    const choices = useChoices();
    const cells = choices.data?.cells ?? [];
    const plans = new Map<string, Plan>(sheet.outputs.map((output) => [output.key, output.plan]));
    const ranges = new Map(sheet.outputs.map((output) => [output.key, output.range]));
    const compared = chosen.filter((key) => outputs.some((output) => output.key === key));
    const comparing = compared.length === 2;
    const shown = comparing ? outputs.filter((output) => compared.includes(output.key)) : outputs;
    const all = rowsOf(cells, comparing ? 'all' : unfolded, outputs);
    const rows = comparing ? all.filter((row) => differs(row, shown, plans)) : all;
    const differ = rows.length === 1 ? 'row differs' : 'rows differ';
    const numberOf = (output: Output) => outputs.indexOf(output) + 1;
    const columns = useColumns(outputs, change);
    const compare = useCallback(
        (key: string) =>
            setChosen((keys) =>
                keys.includes(key) ? keys.filter((other) => other !== key) : [...keys.slice(-1), key],
            ),
        [],
    );
    const answered = new Set(outputsOf(sheet));
    /** A column whose figures are not there yet. */
    const isPlanning = (output: Output) => planning && !answered.has(output);
    usePresetKeys(columns.add, outputs.length >= MOST);
    const { onKey, said } = useSheetKeys({ table, cells, rows, shown, outputs, plans, change });

    return (
        <>
            {choices.isError && choices.data === undefined && <Trouble message={choices.error.message} />}
            {compared.length > 0 && (
                <p role="status" className="-mb-1 flex items-center gap-3 text-[13px] text-soft">
                    <Figures
                        text={
                            comparing
                                ? `Comparing ${shown.map(numberOf).join(' and ')}: ${rows.length} ${differ}`
                                : `Choose the column to compare ${outputs.findIndex((output) => output.key === compared[0]) + 1} with`
                        }
                    />
                    <Button kind="quiet" className="h-6" onClick={() => setChosen([])}>
                        Show all
                    </Button>
                </p>
            )}
            <p role="status" className="sr-only">
                {said}
            </p>
            <div
                id="sheet"
                // What has the focus is never hidden by what stays in place around it.
                className="min-h-[420px] flex-1 scroll-pt-[60px] scroll-pb-[184px] scroll-pl-[332px] overflow-auto"
            >
                <table
                    ref={table}
                    onKeyDown={onKey}
                    // A cell that is half in sight counts as seen; all of it is to be.
                    onFocus={(event) =>
                        event.target.closest('td, th')?.scrollIntoView({ block: 'nearest', inline: 'nearest' })
                    }
                    aria-label={`Sheet of ${cut.name}`}
                    className="table-fixed border-separate border-spacing-0 border-t-2 border-rule text-[13px]"
                    style={{
                        width: '100%',
                        minWidth: FIXED + shown.length * 236,
                        maxWidth: FIXED + shown.length * WIDEST,
                    }}
                >
                    <colgroup>
                        <col style={{ width: 112 }} />
                        <col style={{ width: 216 }} />
                        {shown.map((output) => (
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
                            {shown.map((output, column) => (
                                <OutputHead
                                    key={output.key}
                                    cut={cut.id}
                                    planning={isPlanning(output)}
                                    output={output}
                                    plan={plans.get(output.key)}
                                    number={numberOf(output)}
                                    at={`-2,${column}`}
                                    columns={columns}
                                    compared={compared.includes(output.key)}
                                    compare={compare}
                                />
                            ))}
                            <td
                                rowSpan={rows.length + 6}
                                className="border-l border-line bg-page text-center align-top"
                            >
                                <AddOutput add={columns.add} full={outputs.length >= MOST} />
                            </td>
                        </tr>
                    </thead>
                    <tbody>
                        <tr className={comparing && sameRange(shown, ranges) ? 'hidden' : 'row-30'}>
                            <th scope="row" className={head}>
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
                            {shown.map((output, column) => (
                                <RangeCell
                                    key={output.key}
                                    cut={cut}
                                    at={`-1,${column}`}
                                    number={numberOf(output)}
                                    range={ranges.get(output.key)}
                                    output={output.key}
                                    columns={columns}
                                    planning={isPlanning(output)}
                                />
                            ))}
                        </tr>
                        {rows.map((row, at) => (
                            <tr key={`${row.cell}/${row.part?.key ?? ''}`} className="row-30">
                                <RowHead
                                    cut={cut.id}
                                    row={row}
                                    open={unfolded.includes(row.cell)}
                                    fold={comparing ? undefined : () => fold(row.cell)}
                                />
                                <td className={cutCell} title={row.part === null ? cut.values[row.cell] : undefined}>
                                    {row.part === null && <Figures text={cut.values[row.cell]} />}
                                </td>
                                {shown.map((output, column) => (
                                    <SheetCell
                                        key={output.key}
                                        cut={cut}
                                        row={row}
                                        at={`${at},${column}`}
                                        number={numberOf(output)}
                                        first={at === 0 && column === 0}
                                        plan={plans.get(output.key)}
                                        output={output}
                                        columns={columns}
                                        planning={isPlanning(output)}
                                    />
                                ))}
                            </tr>
                        ))}
                    </tbody>
                    <tfoot className={`sticky bottom-0 z-20 ${planning ? 'opacity-50' : ''}`}>
                        <ResultRows cut={cut} sheet={sheet} outputs={shown} plans={plans} from={rows.length} />
                        <tr className="row-30">
                            <th scope="row" className={`${head} z-20`}>
                                Findings
                            </th>
                            <td className={`${cutCell} z-20`}>
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
                            {shown.map((output) => (
                                <td key={output.key} className={`${result} max-w-0`}>
                                    <FindingsCell
                                        at={`${rows.length + 3},${shown.indexOf(output)}`}
                                        label={`Findings of ${plans.get(output.key)?.presetName ?? output.preset}`}
                                        findings={(plans.get(output.key)?.findings ?? []).map((finding) => ({
                                            ...finding,
                                            remedy: finding.remedy && {
                                                text: finding.remedy.text,
                                                apply: () =>
                                                    finding.remedy && columns.remedy(output.key, finding.remedy),
                                            },
                                        }))}
                                    />
                                </td>
                            ))}
                        </tr>
                    </tfoot>
                </table>
            </div>
        </>
    );
}

const sameRange = ([left, right]: Output[], ranges: Map<string, Sheet['outputs'][number]['range']>) => {
    const [a, b] = [ranges.get(left?.key ?? ''), ranges.get(right?.key ?? '')];
    return a?.first === b?.first && a?.last === b?.last;
};

function differs(row: Row, [left, right]: Output[], plans: Map<string, Plan>): boolean {
    const [a, b] = [plans.get(left?.key ?? ''), plans.get(right?.key ?? '')];
    return a === undefined || b === undefined || textOf(a, row) !== textOf(b, row);
}
