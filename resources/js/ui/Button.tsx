import type { ButtonHTMLAttributes } from 'react';

type Props = ButtonHTMLAttributes<HTMLButtonElement> & { kind?: 'plain' | 'primary' | 'quiet' };

const looks = {
    plain: 'border border-line bg-surface px-3 text-ink hover:border-rule disabled:text-faint disabled:hover:border-line',
    primary: 'bg-rust px-4 font-semibold text-rust-ink hover:bg-rust-deep disabled:bg-sunk disabled:text-faint',
    quiet: 'px-2 text-soft hover:text-ink hover:bg-sunk disabled:text-line disabled:hover:bg-transparent',
};

/** Text such as `h-9` in className sets the height; 28 px otherwise. */
export function Button({ kind = 'plain', className = '', type = 'button', ...rest }: Props) {
    const height = /(^|\s)h-/.test(className) ? '' : 'h-7';
    return (
        <button
            type={type}
            className={`inline-flex items-center justify-center gap-2 whitespace-nowrap rounded transition-colors ${height} ${looks[kind]} ${className}`}
            {...rest}
        />
    );
}
