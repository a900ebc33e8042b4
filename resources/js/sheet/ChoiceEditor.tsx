import { type KeyboardEvent, useRef } from 'react';
import { useChoices } from '../api/queries';
import type { Choices, Rules } from '../api/types';
import { Figures } from '../ui/Figures';

interface Props {
    cell: keyof Choices['cells'];
    title: string;
    value: string;
    yours: boolean;
    choose: (rule: Rules[keyof Rules] | null) => void;
}

/** The rules a cell can have, with what each means; arrows move, Enter takes. */
export function ChoiceEditor({ cell, title, value, yours, choose }: Props) {
    const { data } = useChoices();
    const list = useRef<HTMLDivElement>(null);
    const onKey = (event: KeyboardEvent) => {
        if (event.key !== 'ArrowDown' && event.key !== 'ArrowUp') {
            return;
        }
        event.preventDefault();
        const items = [...(list.current?.querySelectorAll('button') ?? [])];
        const at = items.indexOf(document.activeElement as HTMLButtonElement);
        items[(at + (event.key === 'ArrowDown' ? 1 : -1) + items.length) % items.length]?.focus();
    };
    return (
        <div>
            <div className="mb-2 flex items-baseline font-medium">
                {title}
                <Figures className="ml-auto max-w-[70%] truncate font-normal text-faint" text={value} />
            </div>
            <div ref={list} onKeyDown={onKey} role="menu" tabIndex={-1} className="-mx-1.5">
                {yours && <Choice label="Put the preset’s rule back" about="" onClick={() => choose(null)} strong />}
                {data?.cells[cell].map((choice) => (
                    <Choice
                        key={choice.label}
                        label={choice.label}
                        about={choice.about}
                        onClick={() => choose(choice.rule as Rules[keyof Rules])}
                    />
                ))}
            </div>
        </div>
    );
}

function Choice({
    label,
    about,
    onClick,
    strong,
}: {
    label: string;
    about: string;
    onClick: () => void;
    strong?: boolean;
}) {
    return (
        <button
            type="button"
            role="menuitem"
            onClick={onClick}
            className={`flex w-full items-baseline gap-3 rounded px-1.5 py-1 text-left hover:bg-sunk focus-visible:bg-rust-wash focus-visible:outline-offset-[-2px] ${strong ? 'text-rust' : ''}`}
        >
            <Figures className="flex-none" text={label} />
            <Figures className="ml-auto truncate text-right text-[12px] text-faint" text={about} />
        </button>
    );
}
