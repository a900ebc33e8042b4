import { Star } from 'lucide-react';
import type { ReactNode } from 'react';
import { Link } from 'react-router';

interface Props {
    to: string;
    item: { name: string; favourite: boolean; shipped: boolean };
    current: boolean;
    /** What it is, in the second line. */
    about: string;
    /** At the end of the first line. */
    children?: ReactNode;
    onClick?: () => void;
}

const look = 'block rounded px-2 py-1.5 hover:bg-sunk aria-[current]:bg-rust-wash focus-visible:outline-offset-[-2px]';

/** A preset or host in the list beside its page. */
export function ItemLink({ to, item, current, about, children, onClick }: Props) {
    return (
        <Link to={to} onClick={onClick} aria-current={current ? 'page' : undefined} className={look}>
            <span className="flex items-baseline gap-2">
                {item.favourite && (
                    <Star size={11} className="flex-none self-center fill-current" aria-label="Marked" />
                )}
                <b className="truncate font-medium">{item.name}</b>
                {children}
            </span>
            <span className="flex gap-2 text-[12px] leading-4 text-soft">
                <span className="truncate">{about}</span>
                {!item.shipped && <span className="ml-auto flex-none">yours</span>}
            </span>
        </Link>
    );
}
