import { Link } from 'react-router';
import { useRunsOf } from '../api/queries';

/** From a sheet to what came out of it last. */
export function ToSlips({ cut }: { cut: number }) {
    const [run] = useRunsOf(cut);
    return run === undefined ? null : (
        <Link
            to={`/slips/${run.pack}`}
            className="ml-3 flex-none underline decoration-dotted underline-offset-3 hover:text-ink"
        >
            Its slips
        </Link>
    );
}
