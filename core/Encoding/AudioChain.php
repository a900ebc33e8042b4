<?php

declare(strict_types=1);

namespace OuterCrate\Encoding;

use OuterCrate\Planning\Cells\Audio\AudioValue;

/** What happens to the sound between decoder and encoder, in the engine's filter notation. */
final class AudioChain
{
    /** Peaks between samples are seen at four times the rate (ITU-R BS.1770-4, annex 2). */
    private const OVERSAMPLED = 192_000;

    /** @return list<string> */
    public static function of(AudioValue $sound, ?Excerpt $excerpt): array
    {
        $filters = $excerpt?->sound() ?? [];
        $levelling = $sound->levelling;
        if ($levelling?->gain === null) {
            return $filters;
        }
        // Peaks of what is mixed down are those that count: the limiter comes after the mix.
        if ($levelling->limits && count($sound->tracks) === 1) {
            $filters[] =
                'aformat=channel_layouts='.
                (['', 'mono', 'stereo', '2.1', '4.0', '5.0', '5.1', '6.1', '7.1'][$sound->channels] ?? 'stereo');
        }
        $filters[] = sprintf('volume=%.1FdB:precision=double', $levelling->gain);
        if ($levelling->limits) {
            array_push(
                $filters,
                'aresample='.self::OVERSAMPLED,
                sprintf('alimiter=limit=%.4F:attack=5:release=50:level=disabled', 10 ** ($levelling->ceiling / 20)),
                "aresample={$sound->sampleRate}",
            );
        }

        return $filters;
    }
}
