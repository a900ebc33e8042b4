import { X } from 'lucide-react';

interface Props {
    /** The row that it takes out. */
    label: string;
    onClick: () => void;
    /** Why it has to stay; null where it can go. */
    stays?: string | null;
}

const look = 'flex size-6 flex-none items-center justify-center rounded text-faint';

/** Takes a row out of a table that is edited. */
export function LeaveOut({ label, onClick, stays = null }: Props) {
    return (
        <button
            type="button"
            aria-label={`Leave ${label} out`}
            disabled={stays !== null}
            title={stays ?? undefined}
            onClick={onClick}
            className={`${look} hover:bg-sunk hover:text-stop disabled:opacity-30`}
        >
            <X size={13} />
        </button>
    );
}
