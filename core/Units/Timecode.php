<?php

declare(strict_types=1);

namespace OuterCrate\Units;

use InvalidArgumentException;

/**
 * Hours, minutes, seconds and frames of a frame number (SMPTE ST 12-1). At 29.97 and 59.94 fps it may drop frame
 * numbers, written with a semicolon, so that it keeps step with the clock.
 */
final readonly class Timecode
{
    public function __construct(public int $frame, public FrameRate $rate, public bool $dropFrame = false)
    {
    }

    /**
     * Reads hours, minutes, seconds and frames. A semicolon or a comma before the frames says that numbers are dropped;
     * that holds at 29.97 and 59.94 fps only.
     *
     * @throws InvalidArgumentException when the text is no timecode, or names a frame that the rate does not have
     */
    public static function parse(string $text, FrameRate $rate): self
    {
        if (preg_match('~^(\d{1,2}):([0-5]?\d):([0-5]?\d)([:;,.])(\d{1,3})$~', trim($text), $m) !== 1) {
            throw new InvalidArgumentException("“{$text}” is not a timecode such as 00:01:30:12.");
        }
        $nominal = max(1, $rate->perSecond->round());
        [$hours, $minutes, $seconds, $frames] = [(int) $m[1], (int) $m[2], (int) $m[3], (int) $m[5]];
        $drop = in_array($m[4], [';', ','], true) && $rate->perSecond->denominator === 1001 && $nominal % 30 === 0;
        $dropped = intdiv($nominal, 15);
        if ($frames >= $nominal || ($drop && $frames < $dropped && $seconds === 0 && $minutes % 10 !== 0)) {
            throw new InvalidArgumentException("{$text} names a frame that is not there at {$rate->label()} fps.");
        }
        $totalMinutes = $hours * 60 + $minutes;
        $frame = ($totalMinutes * 60 + $seconds) * $nominal + $frames;
        if ($drop) {
            $frame -= $dropped * ($totalMinutes - intdiv($totalMinutes, 10));
        }

        return new self($frame, $rate, $drop);
    }

    public function __toString(): string
    {
        $nominal = max(1, $this->rate->perSecond->round());
        $frame = $this->frame;
        if ($this->dropFrame) {
            // ST 12-1, 6.1.2: two numbers (four at 59.94) are left out at each minute but every tenth.
            $dropped = intdiv($nominal, 15);
            $perTenMinutes = $nominal * 600 - 9 * $dropped;
            $tens = intdiv($frame, $perTenMinutes);
            $rest = $frame % $perTenMinutes;
            $frame +=
                9 * $dropped * $tens +
                ($rest < $nominal * 60 ? 0 : $dropped * (1 + intdiv($rest - $nominal * 60, $nominal * 60 - $dropped)));
        }
        $seconds = intdiv($frame, $nominal);

        return sprintf(
            '%02d:%02d:%02d%s%02d',
            intdiv($seconds, 3600) % 24,
            intdiv($seconds, 60) % 60,
            $seconds % 60,
            $this->dropFrame ? ';' : ':',
            $frame % $nominal,
        );
    }
}
