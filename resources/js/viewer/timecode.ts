import type { Cut } from '../api/types';

/** How the frames of a cut are numbered: SMPTE ST 12-1, as core/Units/Timecode.php has it, for what moves too fast to ask. */
export type Clock = Cut['timecode'];

const pad = (value: number) => String(value).padStart(2, '0');

/** Frames left out of the count at each minute but every tenth: 2 at 29.97 fps, 4 at 59.94. */
const dropped = (clock: Clock) => (clock.dropFrame ? Math.floor(clock.perSecond / 15) : 0);

export function timecode(frame: number, clock: Clock): string {
    let number = clock.start + frame;
    const drop = dropped(clock);
    if (drop > 0) {
        const perTen = clock.perSecond * 600 - 9 * drop;
        const rest = number % perTen;
        const minutes =
            rest < clock.perSecond * 60
                ? 0
                : 1 + Math.floor((rest - clock.perSecond * 60) / (clock.perSecond * 60 - drop));
        number += drop * (9 * Math.floor(number / perTen) + minutes);
    }
    const seconds = Math.floor(number / clock.perSecond);
    const clockTime = [Math.floor(seconds / 3600) % 24, Math.floor(seconds / 60) % 60, seconds % 60].map(pad).join(':');
    return `${clockTime}${clock.dropFrame ? ';' : ':'}${pad(number % clock.perSecond)}`;
}

/** The frame that was typed, as a timecode (minutes and hours may be left out) or as a frame's number; null when it is neither. */
export function typedFrame(text: string, clock: Clock): number | null {
    const typed = text.trim();
    if (/^\d{1,9}$/.test(typed)) {
        return Number(typed);
    }
    const parts = typed.split(/[:;.,]/);
    if (parts.length < 2 || parts.length > 4 || !parts.every((part) => /^\d{1,3}$/.test(part))) {
        return null;
    }
    const [frames = 0, seconds = 0, minutes = 0, hours = 0] = parts.map(Number).reverse();
    const drop = dropped(clock);
    if (frames >= clock.perSecond || seconds > 59 || minutes > 59) {
        return null;
    }
    if (frames < drop && seconds === 0 && minutes % 10 !== 0) {
        return null;
    }
    const all = hours * 60 + minutes;
    return (all * 60 + seconds) * clock.perSecond + frames - drop * (all - Math.floor(all / 10)) - clock.start;
}

export function framesPerSecond(fraction: string): number {
    const [over, under] = fraction.split('/').map(Number);
    return (over ?? 25) / (under ?? 1);
}
