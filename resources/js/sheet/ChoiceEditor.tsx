import { type KeyboardEvent, useEffect, useId, useRef, useState } from 'react';
import { Figures } from '../ui/Figures';
import { step, typedAhead } from '../ui/optionKeys';
import { search } from '../ui/search';
import type { Rule } from './outputs';
import type { Cell } from './rows';

type Choice = Cell['choices'][number];

interface Props {
    label: string;
    choices: Cell['choices'];
    yours: boolean;
    /** In a narrow column, with what it means under each. */
    beside?: boolean;
    /** Whether a rule is the one that holds. */
    holds: (rule: unknown) => boolean;
    choose: (rule: Rule | null) => void;
}

/** Entries from which on a list is searched by typing. */
const LONG = 12;

/** Milliseconds after which letters begin a new word. */
const WORD = 700;

const words = (choice: Choice) => `${choice.label} ${choice.group} ${choice.about}`;

/**
 * The rules a cell can have, with what each means, in groups. It begins at the one that holds; a long list is narrowed by typing, in a
 * short one letters jump; arrows, Home, End and the page keys move, Enter takes. Tab passes the whole list.
 */
export function ChoiceEditor({ label, choices, yours, beside, holds, choose }: Props) {
    const id = useId();
    const list = useRef<HTMLDivElement>(null);
    const input = useRef<HTMLInputElement>(null);
    const [sought, seek] = useState('');
    const [moved, move] = useState<number | null>(null);
    const word = useRef({ text: '', at: 0 });
    const long = choices.length > LONG;
    const back: Choice[] = yours && sought === '' ? [putBack] : [];
    const shown = [...back, ...search(choices, sought, words)];
    const held = shown.findIndex((choice) => choice !== putBack && holds(choice.rule));
    const at = Math.min(shown.length - 1, moved ?? Math.max(0, sought === '' ? held : 0));
    const active = shown[at];

    useEffect(() => (long ? input.current : list.current)?.focus(), [long]);
    useEffect(() => {
        const option = list.current?.querySelector<HTMLElement>(`[data-option="${at}"]`);
        if (option && list.current) {
            const { scrollTop, clientHeight } = list.current;
            const [top, bottom] = [option.offsetTop, option.offsetTop + option.offsetHeight];
            if (top < scrollTop || bottom > scrollTop + clientHeight) {
                list.current.scrollTop = top - (clientHeight - option.offsetHeight) / 2;
            }
        }
    }, [at]);

    const take = (choice: Choice | undefined) => {
        if (choice !== undefined) {
            choose(choice === putBack ? null : (choice.rule as Rule));
        }
    };
    const onKey = (event: KeyboardEvent) => {
        const inText = long && sought !== '' && (event.key === 'Home' || event.key === 'End');
        const next = inText ? null : step(event.key, at, shown.length);
        if (next !== null) {
            event.preventDefault();
            move(next);
        } else if (event.key === 'Enter' || (event.key === ' ' && !long)) {
            event.preventDefault();
            take(active);
        } else if (!long && /^[\p{L}\d]$/u.test(event.key) && !event.ctrlKey && !event.metaKey) {
            const fresh = event.timeStamp - word.current.at > WORD;
            word.current = { text: (fresh ? '' : word.current.text) + event.key, at: event.timeStamp };
            const found = typedAhead(
                shown.map((choice) => choice.label),
                word.current.text,
                at,
            );
            if (found !== null) {
                move(found);
            }
        }
    };
    const tall = beside ? 'max-h-[228px]' : 'max-h-[208px]';
    return (
        <div className={beside ? 'border-r border-line pr-3.5' : ''}>
            {long && (
                <input
                    ref={input}
                    type="search"
                    role="combobox"
                    aria-label={`Find in ${label}`}
                    aria-expanded
                    aria-controls={id}
                    aria-activedescendant={active && `${id}-${at}`}
                    placeholder={`Find among ${choices.length}`}
                    value={sought}
                    onChange={(event) => {
                        seek(event.target.value);
                        move(null);
                    }}
                    onKeyDown={onKey}
                    className="mb-1.5 h-7 w-full rounded border border-line bg-page px-2"
                />
            )}
            <div
                ref={list}
                id={id}
                role="listbox"
                aria-label={label}
                tabIndex={long ? -1 : 0}
                aria-activedescendant={active && `${id}-${at}`}
                onKeyDown={long ? undefined : onKey}
                className={`relative -mx-1.5 overflow-y-auto py-0.5 outline-none ${tall}`}
            >
                {shown.map((choice, i) => (
                    <div key={choice.label} className="contents">
                        {choice.group !== '' && choice.group !== shown[i - 1]?.group && (
                            <div
                                role="presentation"
                                className="mt-1 px-1.5 pt-1 pb-0.5 text-[11px] font-medium text-soft first:mt-0"
                            >
                                {choice.group}
                            </div>
                        )}
                        <Option
                            id={`${id}-${i}`}
                            at={i}
                            choice={choice}
                            active={i === at}
                            held={i === held}
                            beside={beside}
                            take={() => take(choice)}
                        />
                    </div>
                ))}
            </div>
            {shown.length === 0 && (
                <p role="status" className="px-0.5 py-2 text-soft">
                    Nothing among {choices.length} holds “{sought}”.
                </p>
            )}
        </div>
    );
}

const putBack: Choice = { label: 'Put the preset’s rule back', about: '', group: '', rule: '' };

const option = 'flex cursor-pointer rounded px-1.5 py-1 hover:bg-sunk aria-selected:bg-rust-wash';

interface OptionProps {
    id: string;
    at: number;
    choice: Choice;
    active: boolean;
    held: boolean;
    beside: boolean | undefined;
    take: () => void;
}

function Option({ id, at, choice, active, held, beside, take }: OptionProps) {
    return (
        // biome-ignore lint/a11y/useKeyWithClickEvents: the list handles the keys
        <div
            id={id}
            data-option={at}
            role="option"
            tabIndex={-1}
            aria-selected={active}
            aria-current={held || undefined}
            onClick={take}
            className={`${option} ${beside ? 'flex-col' : 'items-baseline gap-3'}`}
        >
            <span className="flex flex-none items-baseline gap-1.5">
                <Figures text={choice.label} />
                {held && <span className="text-[11px] text-soft">✓ in use</span>}
            </span>
            <Figures
                className={`text-[12px] text-soft ${beside ? 'max-w-full leading-4' : 'ml-auto truncate text-right'}`}
                text={choice.about}
            />
        </div>
    );
}
