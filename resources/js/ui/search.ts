/** A text as it is searched: without capitals and accents, with the multiplication sign as people type it. */
export const plain = (text: string) => text.normalize('NFD').replace(/\p{M}/gu, '').toLowerCase().replaceAll('×', 'x');

/** Whether a text, already plain, holds every word that is sought, in any order. */
export const holds = (text: string, sought: string) =>
    plain(sought)
        .split(/\s+/)
        .every((word) => text.includes(word));

const texts = new WeakMap<object, string>();

/** Those of a list whose words hold all that is sought, in the order of the list. What an entry is found by is read once. */
export function search<T extends object>(list: readonly T[], sought: string, words: (entry: T) => string): T[] {
    return list.filter((entry) => {
        let text = texts.get(entry);
        if (text === undefined) {
            text = plain(words(entry));
            texts.set(entry, text);
        }
        return holds(text, sought);
    });
}
