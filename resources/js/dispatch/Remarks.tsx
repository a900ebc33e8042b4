import type { Remark } from '../api/types';
import { Figures } from '../ui/Figures';
import { Mark } from '../ui/Mark';

/** What was noticed, each with what to do about it. */
export function Remarks({ remarks }: { remarks: Remark[] }) {
    return (
        <ul className="flex flex-col gap-1.5">
            {remarks.map((remark) => (
                <li key={remark.about + remark.text} className="flex items-baseline gap-2 text-[13px] leading-[18px]">
                    <Mark kind={remark.severity} />
                    <span>
                        <Figures text={remark.text} /> <span className="text-soft">{remark.todo}</span>
                    </span>
                </li>
            ))}
        </ul>
    );
}
