import { useQuery } from '@tanstack/react-query';
import { Link } from 'react-router';
import { api } from '../api/client';

/** From a sheet to what came out of it last. */
export function ToSlips({ cut }: { cut: number }) {
    // Asked again when something was packed, as everything of runs is.
    const run = useQuery({ queryKey: ['runs', 'of', cut], queryFn: () => api.latestOf(cut) }).data?.runs[0];
    return run === undefined ? null : (
        <Link
            to={`/slips/${run.pack}`}
            className="ml-3 flex-none underline decoration-dotted underline-offset-3 hover:text-ink"
        >
            Its slips
        </Link>
    );
}
