<?php

declare(strict_types=1);

namespace OuterCrate\Units;

/**
 * Hours, minutes, seconds and frames of a frame number (SMPTE ST 12-1). At 29.97 and 59.94 fps it may drop frame
 * numbers, written with a semicolon, so that it keeps step with the clock.
 */
final readonly class Timecode
{
    public function __construct(public int $frame, public FrameRate $rate, public bool $dropFrame = false)
    {
    }

    public function __toString(): string
    {
        $nominal = $this->rate->perSecond->round();
        $frame = $this->frame;
        if ($this->dropFrame) {
            // ST 12-1, 6.1.2: two numbers (four at 59.94) are left out at each minute but every tenth.
            $dropped = intdiv($nominal, 15);
            $perTenMinutes = $nominal * 600 - 9 * $dropped;
            $tens = intdiv($frame, $perTenMinutes);
            $rest = $frame % $perTenMinutes;
            $frame += 9 * $dropped * $tens + ($rest < $nominal * 60 ? 0 : $dropped * (1 + intdiv($rest - $nominal * 60, $nominal * 60 - $dropped)));
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
