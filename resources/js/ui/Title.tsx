import type { ReactNode } from 'react';

interface Props {
    children: ReactNode;
    /** What the page's own words are, for who meets them here first. */
    about: string;
    /** Beside it, at the right. */
    more?: ReactNode;
}

/** The name of a page, and in a line what it is about. */
export function Title({ children, about, more }: Props) {
    return (
        <div className="mb-3 flex items-baseline gap-4">
            <h1 className="truncate text-[20px] leading-6 font-semibold">{children}</h1>
            <p className="min-w-0 shrink-[99] truncate text-[13px] text-soft">{about}</p>
            {more}
        </div>
    );
}
