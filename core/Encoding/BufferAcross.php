<?php

declare(strict_types=1);

namespace OuterCrate\Encoding;

use OuterCrate\Planning\Values\BitrateValue;
use OuterCrate\Reading\RateBuffer;
use OuterCrate\Units\Fraction;
use OuterCrate\Units\FrameRate;

/** Whether a decoder's buffer holds over the borders of parts, each of which was coded by what was foreseen to be full of it. */
final class BufferAcross
{
    /**
     * The first part that takes more out than there is.
     *
     * @param  list<list<int>>  $parts  bytes of each frame in the order of decoding
     * @return array{int, float}|null place of the part, 1 and on, and the share of the buffer that is full where it begins; null where all
     *     hold, where no peak is promised, and where it is the first one, which no other took anything from
     */
    public static function overrun(array $parts, BitrateValue $rate, FrameRate $frameRate): ?array
    {
        if ($rate->peak === null || $rate->buffer === null) {
            return null;
        }
        $buffer = new RateBuffer($rate->peak, (new Fraction(1))->over($frameRate->perSecond));
        foreach ($parts as $i => $frames) {
            $full = $buffer->full($rate->buffer);
            array_map($buffer->take(...), $frames);
            if ($buffer->needed > $rate->buffer) {
                return $i === 0 ? null : [$i, $full];
            }
        }

        return null;
    }
}
