import { describe, expect, it } from 'vitest';
import { haveNoGaps, type Piece, withMark } from '../../resources/js/viewer/usePieces';

const piece = (first: number, last: number, name = '') => ({ first, last, name }) as Piece;

describe('marks on the strip', () => {
    const pieces = [piece(0, 9, 'Opening'), piece(10, 49), piece(50, 99, 'End')];

    it('adds one where there is none, and takes the one away that is there', () => {
        expect(withMark([], 40)).toEqual([{ frame: 40, name: '' }]);
        expect(withMark(pieces, 70).map(({ frame }) => frame)).toEqual([0, 10, 50, 70]);
        expect(withMark(pieces, 10)).toEqual([
            { frame: 0, name: 'Opening' },
            { frame: 50, name: 'End' },
        ]);
    });

    it('knows which pieces leave something out', () => {
        expect(haveNoGaps(pieces)).toBe(true);
        expect(haveNoGaps([])).toBe(true);
        expect(haveNoGaps([piece(0, 9), piece(20, 29)])).toBe(false);
    });
});
