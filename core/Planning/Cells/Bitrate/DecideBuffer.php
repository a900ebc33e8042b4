<?php

declare(strict_types=1);

namespace OuterCrate\Planning\Cells\Bitrate;

use OuterCrate\Planning\Draft;
use OuterCrate\Planning\Values\BitrateValue;
use OuterCrate\Units\Fraction;

/** How many bits a decoder holds ready while they flow in at the peak: what a peak is a peak over. */
final class DecideBuffer
{
    /** Seconds at the peak where nothing else is said. Less is stricter, and costs picture (docs/decisions/0027). */
    private const USUAL = 1;

    public function of(Draft $draft, BitrateValue $rate): BitrateValue
    {
        if ($rate->peak === null) {
            return $rate;
        }
        $seconds = $draft->rules->fields(BitrateCell::NAME)->within('buffer')->fraction('seconds');
        $device = $draft->preset->device?->buffer;
        // What a device holds ready is used, unless less is asked.
        $bits = $seconds === null && $device !== null
            ? $device
            : $rate->peak->times($seconds ?? new Fraction(self::USUAL))->bitsPerSecond;
        $video = $draft->video();
        $level = $video->level === null ? null : $video->codec->buffer($video->level, $video->profile);

        return $rate->withBuffer(min($bits, $level ?? $bits, $device ?? $bits));
    }
}
