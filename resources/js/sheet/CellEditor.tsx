import { useChoices } from '../api/queries';
import type { Choices, Cut, Plan } from '../api/types';
import { lookOf } from '../cells';
import { Button } from '../ui/Button';
import { Figures } from '../ui/Figures';
import { ChoiceEditor } from './ChoiceEditor';
import { FindingList } from './FindingList';
import { chosen, type Output, type Rule, says, withPart } from './outputs';
import { PartsEditor } from './PartsEditor';
import type { Row } from './rows';

type Remedy = NonNullable<Plan['findings'][number]['remedy']>;

interface Props {
    cut: Cut;
    row: Row;
    plan: Plan;
    output: Output;
    yours: boolean;
    edit: (rule: Rule | null, step?: string | null) => void;
    /** Answers a finding, which can concern other cells too. */
    apply: (remedy: Remedy) => void;
    close: () => void;
}

const cellOf = (row: Row, choices: Choices | undefined) => choices?.cells.find(({ name }) => name === row.cell);

/** Whether a cell's rules stand in a list beside their named values. */
export function hasSides(row: Row, choices: Choices | undefined): boolean {
    const cell = cellOf(row, choices);
    return row.part === null && cell !== undefined && cell.choices.length > 0 && cell.parts.length > 0;
}

/** The editor of a cell: what its host asks, rules to choose from, and the named values of the rule. */
export function CellEditor({ cut, row, plan, output, yours, edit, apply, close }: Props) {
    const cell = cellOf(row, useChoices().data);
    const name = row.cell;
    const { Editor, Drawing, Footer } = lookOf(name);
    const rule = (output.edits[name] ?? null) as Rule | null;
    if (Editor !== undefined) {
        return (
            <>
                <Editor plan={plan} rule={rule} edit={edit} close={close} />
                <CellFindings plan={plan} cell={name} apply={apply} />
            </>
        );
    }
    const parts = row.part === null ? (cell?.parts ?? []) : [row.part];
    const choices = row.part === null ? (cell?.choices ?? []) : [];
    const asks = plan.asks[name];
    return (
        <div>
            <div className="mb-2 flex items-baseline gap-3 font-medium">
                {row.label}
                <Figures
                    className="ml-auto truncate font-normal text-faint"
                    text={asks === undefined ? plan.values[name].label : `${plan.hostName} asks ${asks}`}
                />
            </div>
            {row.part === null && <CellFindings plan={plan} cell={name} apply={apply} />}
            <div className={choices.length > 0 && parts.length > 0 ? 'grid grid-cols-[252px_1fr] gap-5' : ''}>
                {choices.length > 0 && (
                    <ChoiceEditor
                        label={row.label}
                        choices={choices}
                        yours={yours}
                        beside={parts.length > 0}
                        holds={(choice) => says(choice, plan.rules[name] ?? rule)}
                        choose={(next) => {
                            edit(next === null ? null : chosen(next, rule, cell?.beside ?? []));
                            close();
                        }}
                    />
                )}
                <div>
                    {Drawing !== undefined && row.part === null && <Drawing cut={cut} plan={plan} />}
                    {parts.length > 0 && (
                        <PartsEditor
                            parts={parts}
                            values={plan.values[name]}
                            edit={(key, value, step) => edit(withPart(rule, key, value), step)}
                        />
                    )}
                </div>
            </div>
            {Footer !== undefined && <Footer plan={plan} />}
            {choices.length === 0 && rule !== null && (
                <div className="mt-3 flex justify-end">
                    <Button
                        kind="quiet"
                        className="h-6 text-[12px]"
                        onClick={() => {
                            edit(null);
                            close();
                        }}
                    >
                        Put back
                    </Button>
                </div>
            )}
        </div>
    );
}

/** What was noticed of this cell, each with its remedy. */
function CellFindings({ plan, cell, apply }: { plan: Plan; cell: Row['cell']; apply: Props['apply'] }) {
    const findings = plan.findings.filter((finding) => finding.cell === cell);
    if (findings.length === 0) {
        return null;
    }
    return (
        <div
            role={findings.some((finding) => finding.severity === 'stop') ? 'alert' : undefined}
            className="mb-2 rounded bg-sunk px-2.5 py-2 text-[12px] leading-4"
        >
            <FindingList
                findings={findings.map(({ remedy, ...finding }) => ({
                    ...finding,
                    remedy: remedy && { text: remedy.text, apply: () => apply(remedy) },
                }))}
            />
        </div>
    );
}
