import { Link } from 'react-router';
import { api } from '../api/client';
import type { Dispatch } from '../api/types';
import { Button } from '../ui/Button';
import type { useDispatchAction } from './useDispatches';

interface Props {
    dispatch: Dispatch;
    act: ReturnType<typeof useDispatchAction>;
}

/** What its host made of it: fetched, looked at beside the cut, and learnt from. */
export function CameBack({ dispatch, act }: Props) {
    const { id, cameBack, source, teaching, account } = dispatch;
    const tallest = cameBack.at(-1);
    if (tallest === undefined) {
        return (
            <p className="mb-4 flex items-center gap-3">
                <span className="text-soft">Look at what it made of it, and teach {account.hostName} by that.</span>
                <Button
                    className="ml-auto flex-none"
                    disabled={act.isPending}
                    onClick={() => act.mutate(() => api.changeDispatch(id, 'bring-back'))}
                >
                    Bring it back
                </Button>
            </p>
        );
    }
    const files = [source, tallest].filter((path) => path !== null);
    const query = new URLSearchParams(files.map((path): [string, string] => ['file', path]));
    return (
        <p className="mb-4 flex gap-4">
            {files.length === 2 && (
                <Link to={`/compare/files?${query}`} className="text-rust hover:underline">
                    Look at it beside the cut
                </Link>
            )}
            {teaching !== null && (
                <Link to={`/hosts/${account.host}/teach`} className="text-rust hover:underline">
                    What {account.hostName} was found to do
                </Link>
            )}
        </p>
    );
}
