/** Plays one of the sounds that ship; a browser that was not touched yet plays none, which is no fault. */
export function play(sound: string) {
    if (sound !== 'none') {
        new Audio(`/sounds/${sound}.ogg`).play().catch(() => undefined);
    }
}
