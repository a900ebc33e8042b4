import { ApiError } from '../api/client';
import { Button } from './Button';
import { Trouble } from './States';

/** Why a pack was not queued; what is there already is made again on demand. */
export function PackTrouble({ error, again }: { error: Error; again: () => void }) {
    if (!(error instanceof ApiError) || error.id !== 'made-already') {
        return <Trouble message={error.message} />;
    }
    return (
        <div role="alert" className="flex items-center gap-3 rounded bg-sunk px-3 py-2 text-[13px]">
            <span>{error.message}</span>
            <Button className="ml-auto flex-none" onClick={again}>
                Make it again
            </Button>
        </div>
    );
}
