/** What a person may write for a rate: a figure or a range, with a unit or without. */
export interface Rate {
    kbps: number;
    /** Ceiling of a range; null for one figure. */
    to: number | null;
}

const units: Record<string, number> = { k: 1, m: 1_000, g: 1_000_000 };

/** 8,5 and 1,200 as people mean them: three digits behind a comma or dot are thousands, but in megabits, where nobody needs thousands. */
function figure(text: string, kbps: number): number | null {
    const plain = text.replace(/[\s\u00a0\u2009']/g, '');
    if (!/^\d+([.,]\d+)*$/.test(plain)) {
        return null;
    }
    const last = Math.max(plain.lastIndexOf(','), plain.lastIndexOf('.'));
    if (last < 0) {
        return Number(plain);
    }
    const whole = plain.slice(0, last).replace(/[.,]/g, '');
    const rest = plain.slice(last + 1);
    return rest.length === 3 && kbps === 1 && whole !== '0' ? Number(whole + rest) : Number(`${whole}.${rest}`);
}

const number = /([\d.,\s\u00a0\u2009']+?)/.source;
const sign = /([kmg](?:B(?=ps|\/s))?)?(?:bits?|b)?(?:ps|\/s(?:ec)?| per second)?/.source;
const pattern = new RegExp(`^${number}\\s*${sign}\\s*(?:(?:–|—|-|to|bis|…)\\s*${number}\\s*${sign})?$`);

/** In small letters, but the B of bytes: MB/s are eight times Mb/s. */
const letters = (text: string) =>
    text.replace(/([kmg])(b(?=ps|\/s))?|./giu, (all, prefix?: string, bits?: string) =>
        prefix === undefined ? all.toLowerCase() : prefix.toLowerCase() + (bits ?? ''),
    );

/**
 * Reads "8000k", "8 Mb/s", "8,5", "35–45 Mbps", "53 to 68".
 *
 * @param unit of a figure without one, in kb/s
 * @returns null where it is no rate
 */
export function readRate(text: string, unit = 1_000): Rate | null {
    const match = letters(text.trim()).match(pattern);
    if (match === null) {
        return null;
    }
    const [, low = '', lowUnit, high, highUnit] = match;
    const of = (sign: string | undefined) =>
        sign === undefined ? unit : (units[sign.charAt(0)] ?? unit) * (sign.length > 1 ? 8 : 1);
    // "53 to 68 Mb/s": the unit behind is that of both.
    const [each, last] = [of(lowUnit ?? highUnit), of(highUnit ?? lowUnit)];
    const from = figure(low, each);
    const to = high === undefined ? null : figure(high, last);
    if (from === null || (high !== undefined && to === null)) {
        return null;
    }
    const kbps = Math.round(from * each);
    const ceiling = to === null ? null : Math.round(to * last);
    return kbps < 1 ? null : { kbps, to: ceiling === null || ceiling === kbps ? null : ceiling };
}

/** 8.5, in Mb/s; 35–45. */
export const writeRate = (kbps: number, to: number | null = null) =>
    to === null ? String(kbps / 1_000) : `${kbps / 1_000}–${to / 1_000}`;
