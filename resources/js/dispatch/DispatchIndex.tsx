import { Link } from 'react-router';
import type { Dispatch } from '../api/types';
import { Figures } from '../ui/Figures';
import { Mark, type MarkKind } from '../ui/Mark';

const marks: Partial<Record<Dispatch['stage'], MarkKind>> = {
    'needs-you': 'caution',
    failed: 'stop',
    held: 'note',
    released: 'done',
};

/** All that was sent, the latest first. */
export function DispatchIndex({ dispatches, chosen }: { dispatches: Dispatch[]; chosen: number | null }) {
    return (
        <nav aria-label="What is sent" className="border-t-2 border-rule">
            {dispatches.map((one) => (
                <Link
                    key={one.id}
                    to={`/dispatch/${one.id}`}
                    aria-current={one.id === chosen ? 'page' : undefined}
                    className="block border-b border-line px-2 py-1.5 hover:bg-sunk aria-[current=page]:bg-rust-wash"
                >
                    <span className="flex items-center gap-2">
                        {marks[one.stage] && <Mark kind={marks[one.stage] as MarkKind} />}
                        <span className="truncate text-[13px] font-medium">{one.details.title || one.cutName}</span>
                        <span className="ml-auto flex-none text-[12px] text-soft">{one.account.hostName}</span>
                    </span>
                    <span className="flex text-[12px] text-soft">
                        <span className="truncate">{one.file}</span>
                        <Figures
                            className="ml-auto flex-none pl-2"
                            text={one.stage === 'sending' ? `${one.percent} %` : one.stageWords}
                        />
                    </span>
                </Link>
            ))}
        </nav>
    );
}
