import type { ReactNode } from 'react';
import { Link } from 'react-router';
import { ApiError } from '../api/client';
import { Button } from './Button';

interface BlankProps {
    title: string;
    children?: ReactNode;
    action?: ReactNode;
    /** Under a heading of its page; it is the page's own otherwise. */
    within?: boolean;
}

/** A page or table with nothing in it yet, or with something wrong: a heading, what it means, what to do. */
export function Blank({ title, children, action, within }: BlankProps) {
    const Heading = within ? 'h2' : 'h1';
    return (
        <div className="mx-auto mt-24 max-w-md text-center">
            <Heading className="text-[17px] font-semibold">{title}</Heading>
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
                action={
                    gone ? (
                        <Link to="/" className="text-rust underline underline-offset-4">
                            Go to the shelf
                        </Link>
                    ) : (
                        retry && <Button onClick={retry}>Try again</Button>
                    )
                }
            >
                {error.message}
            </Blank>
        </div>
    );
}

/** Shown only when an answer takes long enough to be noticed. */
export function Loading({ what }: { what: string }) {
    return (
        <p role="status" className="mt-24 text-center text-soft">
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
