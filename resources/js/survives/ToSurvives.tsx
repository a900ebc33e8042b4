import { useQueryClient } from '@tanstack/react-query';
import { Link } from 'react-router';
import { survivesPage } from '../pages';
import { latestTest } from './latestTest';

/** The way from a sheet to what survives of its cut: script and figures are there by the time that it is pressed. */
export function ToSurvives({ cut }: { cut: number }) {
    const client = useQueryClient();
    const ahead = () => {
        survivesPage.ahead();
        client.prefetchQuery(latestTest(cut, null));
    };
    return (
        <Link
            to={`/cuts/${cut}/survives`}
            onPointerEnter={ahead}
            onFocus={ahead}
            className="ml-3 flex-none underline decoration-dotted underline-offset-3 hover:text-ink"
        >
            What survives
        </Link>
    );
}
