<?php

declare(strict_types=1);

namespace OuterCrate\Encoding\Video;

use OuterCrate\Formats\Picture\BitrateMode;
use OuterCrate\Planning\Values\BitrateValue;

/** The rate control options that the H.264 and HEVC encoders share. */
final class RateArguments
{
    /** Bits of their own settings that the encoders write into the first frame (about 700 bytes) and do not count. */
    private const UNCOUNTED = 8_000;

    /**
     * The encoder holds a decoder's buffer, filled at the peak, from running dry.
     *
     * @return list<string>
     */
    public static function of(BitrateValue $rate): array
    {
        $average = $rate->average === null ? [] : ['-b:v', (string) $rate->average->bitsPerSecond];
        $peak = self::peak($rate);
        if ($rate->mode === BitrateMode::Cbr && $rate->average !== null) {
            return [...$average, '-minrate', (string) $rate->average->bitsPerSecond, ...$peak];
        }

        return $rate->mode === BitrateMode::Quality ? ['-crf', (string) $rate->quality, ...$peak] : [...$average, ...$peak];
    }

    /** @return list<string> */
    public static function peak(BitrateValue $rate): array
    {
        if ($rate->peak === null) {
            return [];
        }
        $buffer = $rate->buffer ?? $rate->peak->bitsPerSecond;

        return [
            '-maxrate',
            (string) $rate->peak->bitsPerSecond,
            '-bufsize',
            (string) ($buffer > 10 * self::UNCOUNTED ? $buffer - self::UNCOUNTED : $buffer),
        ];
    }
}
