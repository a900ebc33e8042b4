import type { ReactNode } from 'react';
import { useMachine } from '../api/queries';
import type { Cut, Plan, Sheet } from '../api/types';
import { Figures } from '../ui/Figures';
import { LineSpeed } from './LineSpeed';
import { cutCell, head, result } from './looks';
import type { Output } from './outputs';

interface Props {
    cut: Cut;
    sheet: Sheet;
    outputs: Output[];
    plans: Map<string, Plan>;
    /** Number of the first of these rows in the sheet. */
    from: number;
}

/** What comes of the settings: size, time to make, time to send; in the cut's column what all of them come to. */
export function ResultRows({ cut, sheet, outputs, plans, from }: Props) {
    const { totals } = sheet;
    const many = sheet.outputs.length > 1;
    return (
        <>
            <ResultRow
                name="File size"
                cut={
                    <>
                        <span title={`${cut.bytes.toLocaleString('en')} bytes`}>
                            <Figures text={cut.bytesLabel} />
                        </span>
                        {many && <All text={totals.bytesLabel} title={`${totals.bytes.toLocaleString('en')} bytes`} />}
                    </>
                }
                first
                at={from}
                outputs={outputs}
                plans={plans}
            >
                {(plan) => <Size plan={plan} />}
            </ResultRow>
            <ResultRow
                name="To make"
                cut={many && <All text={totals.secondsLabel} />}
                at={from + 1}
                outputs={outputs}
                plans={plans}
            >
                {(plan) => <Figures text={`≈ ${plan.estimate.secondsLabel}`} />}
            </ResultRow>
            <ResultRow
                name="To send"
                cut={many && totals.sendLabel !== null && <All text={totals.sendLabel} />}
                at={from + 2}
                outputs={outputs}
                plans={plans}
            >
                {(plan) =>
                    plan.estimate.sendLabel === null ? (
                        <span className="font-normal text-faint">stays here</span>
                    ) : (
                        <SendTime time={plan.estimate.sendLabel} />
                    )
                }
            </ResultRow>
        </>
    );
}

const reasons: Record<Plan['estimate']['basis'], string> = {
    bitrate: 'from its bitrate',
    codec: 'from the bitrate that the codec states',
    cut: 'from the cut, which has the same codec',
    content: 'a rough guess: it depends on the picture',
    sample: 'from pieces that were encoded',
};

function Size({ plan }: { plan: Plan }) {
    const { bytes, bytesLabel, marginPercent, basis, sampling } = plan.estimate;
    return (
        <span title={`${bytes.toLocaleString('en')} bytes, give or take ${marginPercent} %\n${reasons[basis]}`}>
            <Figures text={`≈ ${bytesLabel}`} />
            {(marginPercent > 20 || basis === 'sample') && (
                <Figures className="ml-2 font-normal text-faint" text={`± ${marginPercent} %`} />
            )}
            {sampling && <span className="ml-2 font-normal text-faint">measuring …</span>}
        </span>
    );
}

function All({ text, title }: { text: string; title?: string }) {
    return (
        <span className="ml-auto" title={title}>
            <span className="text-faint">all </span>
            <Figures className="font-medium text-ink" text={`≈ ${text}`} />
        </span>
    );
}

interface RowProps {
    name: string;
    cut?: ReactNode;
    first?: boolean;
    at: number;
    outputs: Output[];
    plans: Map<string, Plan>;
    children: (plan: Plan) => ReactNode;
}

function ResultRow({ name, cut, first, at, outputs, plans, children }: RowProps) {
    const rule = first ? 'border-t border-t-rule' : '';
    return (
        <tr className="row-30">
            <th scope="row" className={`${head} ${rule} z-20`}>
                {name}
            </th>
            <td className={`${cutCell} ${rule} z-20`}>
                <span className="flex">{cut}</span>
            </td>
            {outputs.map((output, column) => {
                const plan = plans.get(output.key);
                return (
                    <td
                        key={output.key}
                        data-at={`${at},${column}`}
                        tabIndex={-1}
                        className={`${result} ${rule} focus-visible:outline-offset-[-2px]`}
                    >
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
