const CHOSEN = ['range', 'radio', 'checkbox'];

/** Whether it is a field that letters are typed into. */
export const isTyped = (target: EventTarget | null) =>
    target instanceof HTMLInputElement && !CHOSEN.includes(target.type);

/** Whether what has the focus makes something of a key itself, so that the page leaves the key to it. */
export function takesKey({ target, key }: KeyboardEvent): boolean {
    if (target instanceof HTMLInputElement && !isTyped(target)) {
        return /^( |Arrow|Page|Home|End)/.test(key);
    }
    return target instanceof HTMLElement && target.matches('input, textarea, select');
}
