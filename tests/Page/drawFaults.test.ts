import { expect, test } from 'vitest';
import { drawFaults } from '../../resources/js/compare/drawFaults';

/** Notes in which part of a picture lines begin. */
function drawn(lost: boolean[], banded: boolean[], cell: number) {
    const begun: { style: string; x: number; y: number }[] = [];
    const context = {
        strokeStyle: '',
        lineWidth: 0,
        beginPath: () => undefined,
        stroke: () => undefined,
        lineTo: () => undefined,
        moveTo(x: number, y: number) {
            begun.push({ style: this.strokeStyle, x, y });
        },
    };
    drawFaults(
        context as unknown as CanvasRenderingContext2D,
        { columns: 3, rows: 2, cell, lost, banded, words: '' },
        { left: 100, top: 50, width: 300, height: 160 },
        1,
    );
    return begun;
}

const none = Array(6).fill(false);
const only = (at: number) => none.map((_, i) => i === at);

test('lines lie in the cells that they are of, however the picture is cut into them', () => {
    // Cells of 0.36 of the width: the third is cut off at the right.
    const lines = drawn(only(4), none, 0.36);
    expect(lines.length).toBeGreaterThan(0);
    for (const { x, y } of lines) {
        expect(x).toBeGreaterThanOrEqual(100 + 108);
        expect(x).toBeLessThanOrEqual(100 + 216);
        expect(y).toBeGreaterThanOrEqual(50 + 108);
        expect(y).toBeLessThanOrEqual(50 + 216);
    }
});

test('detail that was lost and bands are drawn differently, and nothing where nothing is wrong', () => {
    expect(drawn(none, none, 1 / 3)).toEqual([]);
    const [lost, banded] = [drawn(only(0), none, 1 / 3), drawn(none, only(0), 1 / 3)];
    expect(lost[0]?.style).not.toBe(banded[0]?.style);
    // Bands are level lines from the left edge; lost detail is slanted.
    expect(new Set(banded.map(({ x }) => x))).toEqual(new Set([100]));
    expect(new Set(lost.map(({ x }) => x)).size).toBeGreaterThan(1);
});
