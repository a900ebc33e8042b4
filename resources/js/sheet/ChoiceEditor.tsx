import { type KeyboardEvent, useEffect, useRef } from 'react';
import { Figures } from '../ui/Figures';
import type { Rule } from './outputs';
import type { Cell } from './rows';

interface Props {
    choices: Cell['choices'];
    yours: boolean;
    /** In a narrow column, with what it means under each. */
    beside?: boolean;
    /** Whether a rule says what the cell holds already. */
    holds: (rule: unknown) => boolean;
    choose: (rule: Rule | null) => void;
}

/** The rules a cell can have, with what each means; arrows move, letters jump, Enter takes. */
export function ChoiceEditor({ choices, yours, beside, holds, choose }: Props) {
    const list = useRef<HTMLDivElement>(null);
    useEffect(() => {
        const held = list.current?.querySelector<HTMLElement>('[aria-current]');
        if (held && list.current) {
            list.current.scrollTop = held.offsetTop - (list.current.clientHeight - held.offsetHeight) / 2;
        }
    }, []);
    const onKey = (event: KeyboardEvent) => {
        const items = [...(list.current?.querySelectorAll('button') ?? [])];
        const at = items.indexOf(document.activeElement as HTMLButtonElement);
        const step = { ArrowDown: 1, ArrowUp: -1, PageDown: 6, PageUp: -6 }[event.key];
        if (step !== undefined) {
            event.preventDefault();
            const next = Math.abs(step) === 1 ? (at + step + items.length) % items.length : at + step;
            items[Math.min(items.length - 1, Math.max(0, next))]?.focus();
        } else if (/^[\p{L}\d]$/u.test(event.key) && !event.ctrlKey && !event.metaKey) {
            const letter = event.key.toLowerCase();
            const rest = [...items.slice(at + 1), ...items.slice(0, at + 1)];
            rest.find((item) => item.textContent?.trim().toLowerCase().startsWith(letter))?.focus();
        }
    };
    return (
        <div
            ref={list}
            onKeyDown={onKey}
            role="menu"
            tabIndex={-1}
            className={`relative -mx-1.5 overflow-y-auto py-0.5 ${beside ? 'max-h-[228px] border-r border-line pr-3.5' : 'max-h-[208px]'}`}
        >
            {yours && <Choice label="Put the preset’s rule back" about="" onClick={() => choose(null)} strong />}
            {choices.map((choice) => (
                <Choice
                    key={choice.label}
                    label={choice.label}
                    about={choice.about}
                    beside={beside}
                    current={holds(choice.rule)}
                    onClick={() => choose(choice.rule as Rule)}
                />
            ))}
        </div>
    );
}

function Choice({
    label,
    about,
    onClick,
    strong,
    beside,
    current,
}: {
    label: string;
    about: string;
    onClick: () => void;
    strong?: boolean;
    beside?: boolean;
    current?: boolean;
}) {
    return (
        <button
            type="button"
            role="menuitem"
            aria-current={current || undefined}
            onClick={onClick}
            className={`flex w-full ${beside ? 'flex-col' : 'items-baseline gap-3'} rounded px-1.5 py-1 text-left hover:bg-sunk aria-[current]:bg-rust-wash focus-visible:bg-rust-wash focus-visible:outline-offset-[-2px] ${strong ? 'text-rust' : ''}`}
        >
            <Figures className="flex-none" text={label} />
            <Figures
                className={`text-[12px] text-faint ${beside ? 'max-w-full leading-4' : 'ml-auto truncate text-right'}`}
                text={about}
            />
        </button>
    );
}
