/** What an output is for, stencilled. */
export function Role({ role, className = '' }: { role: string; className?: string }) {
    return <span className={`font-stencil text-[11px] tracking-[.05em] text-soft uppercase ${className}`}>{role}</span>;
}
