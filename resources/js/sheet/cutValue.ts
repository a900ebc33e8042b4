import type { Cut } from '../api/types';
import type { CellName } from './outputs';

/** What the cut's own column says in a row. */
export function cutValue(cut: Cut, cell: CellName): string {
    switch (cell) {
        case 'container':
            return cut.container;
        case 'picture':
            return cut.picture;
        case 'frameSize':
            return cut.pixels;
        case 'frameRate':
            return cut.rate;
        case 'rate':
            return cut.bitrateLabel;
        case 'keyframes':
            return cut.keyframes;
        case 'colour':
            return cut.colour;
        case 'sound':
            return cut.sound;
        case 'file':
            return cut.file;
    }
}
