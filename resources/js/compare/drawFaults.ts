import type { FaultMap } from '../api/types';

interface Box {
    left: number;
    top: number;
    width: number;
    height: number;
}

/** Colours of the overlay, that no picture of ours is likely to have: lost detail is hatched, bands are framed. */
export const FAULTS = { lost: '#3ddbd9', banded: '#ffb000' };

/** Draws where detail was lost, in slanted lines, and where bands came, in level ones: told apart without colour too. */
export function drawFaults(context: CanvasRenderingContext2D, faults: FaultMap, box: Box, ratio: number) {
    const side = box.width * faults.cell;
    context.lineWidth = ratio;
    for (const [kind, cells] of [
        ['lost', faults.lost],
        ['banded', faults.banded],
    ] as const) {
        context.strokeStyle = FAULTS[kind];
        context.beginPath();
        cells.forEach((is, i) => {
            if (!is) {
                return;
            }
            const x = box.left + (i % faults.columns) * side;
            const y = box.top + Math.floor(i / faults.columns) * side;
            const step = Math.max(4, 7 * ratio);
            if (kind === 'lost') {
                for (let at = step / 2; at < side; at += step) {
                    context.moveTo(x + at, y);
                    context.lineTo(x, y + at);
                    context.moveTo(x + side, y + at);
                    context.lineTo(x + at, y + side);
                }
            } else {
                for (let at = step / 2; at < side; at += step) {
                    context.moveTo(x, y + at);
                    context.lineTo(x + side, y + at);
                }
            }
        });
        context.stroke();
    }
}
