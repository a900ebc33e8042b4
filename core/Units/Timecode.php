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
        $nominal = self::nominal($rate);
        [$hours, $minutes, $seconds, $frames] = [(int) $m[1], (int) $m[2], (int) $m[3], (int) $m[5]];
        $drop = in_array($m[4], [';', ','], true) && self::mayDrop($rate);
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

    /**
     * What the clock of this timecode says at another rate: hours, minutes and seconds stay, frames are scaled down to those of that
     * rate. Numbers are dropped where they were and the rate allows it.
     */
    public function at(FrameRate $rate): self
    {
        if ($rate->equals($this->rate)) {
            return $this;
        }
        [$from, $to] = [self::nominal($this->rate), self::nominal($rate)];
        $number = $this->number();
        $seconds = intdiv($number, $from);
        $frames = intdiv($number % $from * $to, $from);
        $drop = $this->dropFrame && self::mayDrop($rate);
        $minutes = intdiv($seconds, 60);
        if ($drop) {
            $dropped = intdiv($to, 15);
            // The first numbers of a minute are not there.
            $frames = $seconds % 60 === 0 && $minutes % 10 !== 0 ? max($frames, $dropped) : $frames;
            $frames -= $dropped * ($minutes - intdiv($minutes, 10));
        }

        return new self($seconds * $to + $frames, $rate, $drop);
    }

    public function __toString(): string
    {
        $nominal = self::nominal($this->rate);
        $frame = $this->number();
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

    /** The frame's number with those counted that were left out before it. */
    private function number(): int
    {
        if (! $this->dropFrame) {
            return $this->frame;
        }
        // ST 12-1, 6.1.2: two numbers (four at 59.94) are left out at each minute but every tenth.
        $nominal = self::nominal($this->rate);
        $dropped = intdiv($nominal, 15);
        $perTenMinutes = $nominal * 600 - 9 * $dropped;
        $tens = intdiv($this->frame, $perTenMinutes);
        $rest = $this->frame % $perTenMinutes;

        return $this->frame
            + 9 * $dropped * $tens
            + ($rest < $nominal * 60 ? 0 : $dropped * (1 + intdiv($rest - $nominal * 60, $nominal * 60 - $dropped)));
    }

    private static function nominal(FrameRate $rate): int
    {
        return max(1, $rate->perSecond->round());
    }

    private static function mayDrop(FrameRate $rate): bool
    {
        return $rate->perSecond->denominator === 1001 && self::nominal($rate) % 30 === 0;
    }
}
