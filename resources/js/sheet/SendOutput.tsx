import { Send } from 'lucide-react';
import { Link } from 'react-router';
import { useRunsOf } from '../api/queries';
import type { Output } from './outputs';

/** From a column to the sending of what it made last, or is making; nothing where it made nothing for a host. */
export function SendOutput({ cut, output, number }: { cut: number; output: Output; number: number }) {
    const run = useRunsOf(cut).find(
        (one) => one.output === output.key && one.role === 'upload' && !['failed', 'stopped'].includes(one.state),
    );
    if (run === undefined) {
        return null;
    }
    const label = `Send what output ${number} made to a host`;
    return (
        <Link
            to={`/dispatch/new?run=${run.id}`}
            aria-label={label}
            title={run.state === 'done' ? label : 'It is sent when it is made'}
            className="flex size-5 items-center justify-center self-center rounded text-faint hover:bg-sunk hover:text-ink"
        >
            <Send size={13} />
        </Link>
    );
}
