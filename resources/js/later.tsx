import { type ComponentType, useEffect, useReducer } from 'react';
import { Failed, Loading } from './ui/States';

/** A page whose script is loaded when it is wanted, or a moment before. */
export class Later {
    Page: ComponentType | null = null;
    error: Error | null = null;
    #asked: Promise<void> | null = null;

    constructor(private readonly load: () => Promise<{ default: ComponentType }>) {}

    ahead = () => {
        this.error = null;
        this.#asked ??= this.load().then(
            ({ default: page }) => {
                this.Page = page;
            },
            () => {
                this.error = new Error('This page could not be loaded. Is Outer Crate still running?');
                this.#asked = null;
            },
        );
        return this.#asked;
    };
}

/**
 * Shows such a page, at once where it is there. React's own `lazy` shows its fallback even then, and holds the page back for 300 ms
 * after it.
 */
export function Loaded({ page, what }: { page: Later; what: string }) {
    const [, look] = useReducer((looks: number) => looks + 1, 0);
    // As it was when this was drawn: what comes between that and the look after it has to be shown, too.
    const { Page } = page;
    useEffect(() => {
        if (Page === null) {
            page.ahead().then(look);
        }
    }, [page, Page]);
    if (Page !== null) {
        return <Page />;
    }
    return page.error === null ? (
        <Loading what={what} />
    ) : (
        <Failed error={page.error} retry={() => page.ahead().then(look)} />
    );
}
