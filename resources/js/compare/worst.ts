/** Frames apart at which two bad ones are told as two. */
const APART = 12;

/** The frames that keep least, the worst first, none of them beside another. */
export function worstFrames(curve: number[] | null, most: number): number[] {
    const order = (curve ?? []).map((_, at) => at).sort((a, b) => (curve?.[a] ?? 0) - (curve?.[b] ?? 0) || a - b);
    const worst: number[] = [];
    for (const at of order) {
        if (worst.length < most && worst.every((other) => Math.abs(other - at) >= APART)) {
            worst.push(at);
        }
    }
    return worst;
}
