import { Link } from 'react-router';
import { api } from '../api/client';
import type { Dispatch } from '../api/types';
import { Figures } from '../ui/Figures';
import { Mark, type MarkKind } from '../ui/Mark';
import { Trouble } from '../ui/States';
import { useDispatchAction } from './useDispatches';

/** A file of the list, while it is dragged. */
const MOVED = 'application/x-outer-crate-dispatch';

const marks: Partial<Record<Dispatch['stage'], MarkKind>> = {
    'needs-you': 'caution',
    failed: 'stop',
    held: 'note',
    released: 'done',
};

/** As they are sent: what is on the line, then by place. */
const inOrder = (a: Dispatch, b: Dispatch) => (a.place ?? -1) - (b.place ?? -1) || a.id - b.id;

/** What is on its way in the order in which it goes, then all that was sent, the latest first. */
export function DispatchIndex({ dispatches, chosen }: { dispatches: Dispatch[]; chosen: number | null }) {
    const act = useDispatchAction();
    const isOnItsWay = ({ stage, place }: Dispatch) => stage === 'sending' || place !== null;
    const going = dispatches.filter(isOnItsWay).sort(inOrder);
    const waiting = going.filter(({ place }) => place !== null).map(({ id }) => id);
    const moveTo = (id: number, before: number | null) => act.mutate(() => api.moveDispatch(id, before));
    const step = (id: number, by: number) => {
        const at = waiting.indexOf(id);
        const to = at + by;
        if (at >= 0 && to >= 0 && to < waiting.length) {
            moveTo(id, (by < 0 ? waiting[to] : waiting[to + 1]) ?? null);
        }
    };
    return (
        <nav aria-label="What is sent" className="border-t-2 border-rule">
            {waiting.length > 1 && (
                <p className="border-b border-line px-2 py-1 text-[12px] text-faint">
                    In this order; drag them, or Alt ↑ ↓
                </p>
            )}
            {act.error && <Trouble message={act.error.message} />}
            {[...going, ...dispatches.filter((one) => !isOnItsWay(one))].map((one) => (
                <Link
                    key={one.id}
                    to={`/dispatch/${one.id}`}
                    aria-current={one.id === chosen ? 'page' : undefined}
                    aria-keyshortcuts={one.place === null ? undefined : 'Alt+ArrowUp Alt+ArrowDown'}
                    draggable={one.place !== null}
                    onDragStart={(event) => event.dataTransfer.setData(MOVED, String(one.id))}
                    onDragOver={(event) =>
                        one.place !== null && event.dataTransfer.types.includes(MOVED) && event.preventDefault()
                    }
                    onDrop={(event) => {
                        event.preventDefault();
                        const dropped = Number(event.dataTransfer.getData(MOVED));
                        dropped !== one.id && waiting.includes(dropped) && moveTo(dropped, one.id);
                    }}
                    onKeyDown={(event) => {
                        if (event.altKey && (event.key === 'ArrowUp' || event.key === 'ArrowDown')) {
                            event.preventDefault();
                            step(one.id, event.key === 'ArrowUp' ? -1 : 1);
                        }
                    }}
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
