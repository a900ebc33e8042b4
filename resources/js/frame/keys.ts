/** Keys of the pages, as they are shown on pressing `?`. */
export interface Keys {
    where: string;
    keys: readonly (readonly [string, string])[];
}

const everywhere: Keys = {
    where: 'Everywhere',
    keys: [
        ['?', 'These keys'],
        ['Tab', 'On to the next control'],
        ['Esc', 'Close what is open; take back what was typed in it'],
    ],
};

const sheet: readonly Keys[] = [
    {
        where: 'Cells',
        keys: [
            ['← → ↑ ↓', 'From cell to cell, down to the findings'],
            ['Home  End', 'First and last column; with Ctrl the corners'],
            ['Page ↑ ↓', 'Five rows at once'],
            ['Enter', 'Change the cell'],
            ['Delete', 'Put the preset’s rule back; on a head, remove the column'],
            ['Ctrl C  Ctrl V', 'A cell to another column, or a column from its head'],
            ['Alt ← →', 'Move the column'],
            ['1 … 9', 'Add an output with one of the first nine presets'],
            ['Ctrl Z  Ctrl Shift Z', 'Undo, redo'],
        ],
    },
    {
        where: 'Picture and range',
        keys: [
            ['I  O', 'This frame is the first, the last'],
            ['M', 'A piece of its own begins here, or no longer does'],
            ['← →', 'A frame back, on; with Shift a second'],
            ['Space', 'Play, pause'],
            ['Home  End', 'Ends of the cut; with Shift of the range'],
        ],
    },
];

const list: Keys = {
    where: 'The list',
    keys: [
        ['↑ ↓', 'From one to the next'],
        ['Enter', 'Open it'],
    ],
};

const compare: Keys = {
    where: 'The pictures',
    keys: [
        ['← →', 'A frame back, on'],
        ['1 … 5', 'The frame that keeps least, the next …'],
        ['W  S  D', 'Wipe, side by side, difference; D again for more of it'],
        ['hold X', 'The other picture in its place'],
        ['Z', '100, 200, 400, 800 %, the whole'],
        ['↑ ↓  Shift ← →', 'Move within it; both move'],
        ['L', 'Lift the shadows'],
        ['H', 'Histograms, waveforms'],
        ['Home  End', 'First and last frame'],
    ],
};

const pages: readonly [RegExp, readonly Keys[]][] = [
    [/^\/cuts\/\d+$/, sheet],
    [/^\/compare\//, [compare]],
    [/^\/(presets|hosts)?(\/|$)/, [list]],
];

/** The keys of the page at an address. */
export function keysOf(path: string): readonly Keys[] {
    return [...(pages.find(([address]) => address.test(path))?.[1] ?? []), everywhere];
}
