import type { ReactNode } from 'react';
import { ApiError } from '../api/client';
import { Button } from './Button';

/** A page or table with nothing in it yet, or with something wrong: a heading, what it means, what to do. */
export function Blank({ title, children, action }: { title: string; children?: ReactNode; action?: ReactNode }) {
    return (
        <div className="mx-auto mt-24 max-w-md text-center">
            <h2 className="text-[17px] font-semibold">{title}</h2>
            <div className="mt-2 text-soft">{children}</div>
            {action && <div className="mt-5">{action}</div>}
        </div>
    );
}

export function Failed({ error, retry }: { error: Error; retry?: () => void }) {
    const gone = error instanceof ApiError && error.status === 404;
    return (
        <div role="alert">
            <Blank
                title={gone ? 'Not here' : 'This could not be shown'}
                action={retry && !gone && <Button onClick={retry}>Try again</Button>}
            >
                {error.message}
            </Blank>
        </div>
    );
}

/** Shown only when an answer takes long enough to be noticed. */
export function Loading({ what }: { what: string }) {
    return (
        <p role="status" className="mt-24 animate-pulse text-center text-faint [animation-delay:300ms]">
            Reading {what} …
        </p>
    );
}

export function Trouble({ message }: { message: string }) {
    return (
        <p role="alert" className="rounded border border-stop bg-stop-wash px-3 py-2 text-[13px]">
            {message}
        </p>
    );
}
