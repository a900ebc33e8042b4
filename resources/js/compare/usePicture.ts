import { useEffect, useState } from 'react';

/** Pictures that were loaded, so that going back and forth is at once. */
const loaded = new Map<string, HTMLImageElement>();
const MOST = 60;

function load(address: string): Promise<HTMLImageElement> {
    const known = loaded.get(address);
    if (known) {
        return Promise.resolve(known);
    }
    return new Promise((resolve, reject) => {
        const image = new Image();
        image.onload = () => {
            loaded.set(address, image);
            const oldest = loaded.keys().next().value;
            if (loaded.size > MOST && oldest !== undefined) {
                loaded.delete(oldest);
            }
            resolve(image);
        };
        image.onerror = () => reject(new Error('The picture could not be had.'));
        image.src = address;
    });
}

/** Rests on a frame that is not there yet before asking for it, so that holding an arrow key does not queue a hundred of them. */
const rest = (address: string) =>
    loaded.has(address) ? Promise.resolve() : new Promise((resolve) => setTimeout(resolve, 70));

export interface Shown {
    image: HTMLImageElement | null;
    /** The one that is wanted is on its way; the one before stays. */
    loading: boolean;
    problem: string | null;
}

/** A picture, and those that are likely to be wanted next. */
export function usePicture(address: string | null, next: string[]): Shown {
    const [shown, setShown] = useState<Shown>({ image: null, loading: true, problem: null });
    const soon = next.join(' ');
    useEffect(() => {
        if (address === null) {
            setShown({
                image: null,
                loading: false,
                problem: 'This file is no longer kept. Test again, or make it again.',
            });
            return;
        }
        let wanted = true;
        setShown((before) => ({ ...before, loading: true }));
        rest(address)
            .then(() => (wanted ? load(address) : new Promise<never>(() => undefined)))
            .then((image) => {
                if (wanted) {
                    setShown({ image, loading: false, problem: null });
                    for (const one of soon === '' ? [] : soon.split(' ')) {
                        load(one).catch(() => undefined);
                    }
                }
            })
            .catch(() => {
                // The image element does not hear why; the answer says it.
                fetch(address)
                    .then((response) => response.json())
                    .then((answer) => answer?.error?.message as string | undefined)
                    .catch(() => undefined)
                    .then((message) => {
                        if (wanted) {
                            const problem = message ?? 'The picture could not be had. Try another frame.';
                            setShown({ image: null, loading: false, problem });
                        }
                    });
            });
        return () => {
            wanted = false;
        };
    }, [address, soon]);
    return shown;
}
