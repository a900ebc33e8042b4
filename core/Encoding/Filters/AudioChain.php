<?php

declare(strict_types=1);

namespace OuterCrate\Encoding\Filters;

use OuterCrate\Encoding\Passes\Excerpt;
use OuterCrate\Planning\Values\AudioValue;
use OuterCrate\Reading\AudioReading;

/** What happens to the sound between decoder and encoder, in the engine's filter notation. */
final class AudioChain
{
    /** Peaks between samples are seen at four times the rate (ITU-R BS.1770-4, annex 2). */
    private const OVERSAMPLED = 192_000;

    /**
     * @param  AudioReading  $track  of the cut
     * @param  int  $channels  to end with
     * @return list<string>
     */
    public static function of(AudioValue $sound, AudioReading $track, int $channels, ?Excerpt $excerpt): array
    {
        $mix = MixDown::filter($track, $channels, $sound->headroom);
        $filters = [...$excerpt?->sound() ?? [], ...$mix === null ? [] : [$mix]];
        $levelling = $sound->levelling;
        if ($levelling?->gain === null) {
            return $filters;
        }
        $filters[] = sprintf('volume=%.1FdB:precision=double', $levelling->gain);
        if ($levelling->limit !== null) {
            array_push(
                $filters,
                'aresample='.self::OVERSAMPLED,
                sprintf('alimiter=limit=%.4F:attack=5:release=50:level=disabled', 10 ** ($levelling->limit / 20)),
                "aresample={$sound->sampleRate}",
            );
        }

        return $filters;
    }
}
