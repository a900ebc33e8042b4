/** What a person may write for a rate: a figure or a range, with a unit or without. */
export interface Rate {
    kbps: number;
    /** Ceiling of a range; null for one figure. */
    to: number | null;
}

const units: Record<string, number> = { k: 1, m: 1_000, g: 1_000_000 };

/** 8,5 and 1.200,5 and 1,200 as people mean them: a comma or dot with three digits behind it in a number without another is a thousand. */
function figure(text: string): number | null {
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
    return rest.length === 3 && whole !== '0' && whole !== '' ? Number(whole + rest) : Number(`${whole}.${rest}`);
}

const number = /([\d.,\s\u00a0\u2009']+?)/.source;
const sign = /([kmg])?(?:bit|b)?(?:ps|\/s)?/.source;
const pattern = new RegExp(`^${number}\\s*${sign}\\s*(?:(?:–|—|-|to|bis|…)\\s*${number}\\s*${sign})?$`);

/**
 * Reads "8000k", "8 Mb/s", "8,5", "35–45 Mbps", "53 to 68".
 *
 * @param unit of a figure without one, in kb/s
 * @returns null where it is no rate
 */
export function readRate(text: string, unit = 1_000): Rate | null {
    const match = text.trim().toLowerCase().match(pattern);
    if (match === null) {
        return null;
    }
    const [, low = '', lowUnit, high, highUnit] = match;
    const of = (sign: string | undefined) => (sign === undefined ? unit : (units[sign] ?? unit));
    const from = figure(low);
    const to = high === undefined ? null : figure(high);
    if (from === null || (high !== undefined && to === null)) {
        return null;
    }
    // "53 to 68 Mb/s": the unit behind is that of both.
    const kbps = Math.round(from * of(lowUnit ?? highUnit));
    const ceiling = to === null ? null : Math.round(to * of(highUnit ?? lowUnit));
    return kbps < 1 ? null : { kbps, to: ceiling === null || ceiling === kbps ? null : ceiling };
}

/** 8.5, in Mb/s; 35–45. */
export const writeRate = (kbps: number, to: number | null = null) =>
    to === null ? String(kbps / 1_000) : `${kbps / 1_000}–${to / 1_000}`;
