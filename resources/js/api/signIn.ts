import { useSyncExternalStore } from 'react';

/** Set while somebody has to sign in: what asked in vain waits for it, and asks again. */
let asked: { done: Promise<void>; letIn: () => void } | null = null;
const listeners = new Set<() => void>();

const tell = () => {
    for (const listener of listeners) {
        listener();
    }
};

export function untilSignedIn(): Promise<void> {
    if (asked === null) {
        let letIn = () => {};
        const done = new Promise<void>((resolve) => {
            letIn = resolve;
        });
        asked = { done, letIn };
        tell();
    }
    return asked.done;
}

export function letIn() {
    asked?.letIn();
    asked = null;
    tell();
}

const listen = (listener: () => void) => {
    listeners.add(listener);
    return () => listeners.delete(listener);
};

export const useAsksSignIn = () => useSyncExternalStore(listen, () => asked !== null);
