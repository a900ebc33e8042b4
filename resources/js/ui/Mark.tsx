export type MarkKind = 'stop' | 'caution' | 'note' | 'done';

const marks = {
    stop: { sign: '■', colour: 'text-stop', name: 'stop' },
    caution: { sign: '▲', colour: 'text-caution', name: 'caution' },
    note: { sign: '●', colour: 'text-note', name: 'note' },
    done: { sign: '✓', colour: 'text-done', name: 'done' },
};

/** A state by shape and colour. */
export function Mark({ kind }: { kind: MarkKind }) {
    const { sign, colour, name } = marks[kind];
    return (
        <span role="img" aria-label={name} className={`flex-none font-sans text-[11px] leading-none ${colour}`}>
            {sign}
        </span>
    );
}
