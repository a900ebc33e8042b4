<?php

declare(strict_types=1);

namespace OuterCrate\Analysis;

use OuterCrate\Reading\Reading;
use OuterCrate\Units\Fraction;
use OuterCrate\Units\FrameRange;
use OuterCrate\Units\FrameRate;

/** A stretch of a cut, a minute or so, that is measured by itself. */
final readonly class Segment
{
    private function __construct(public FrameRange $range, private FrameRate $rate)
    {
    }

    /**
     * @param  int  $seconds  of each, but the last
     * @return list<self> that cover the cut
     */
    public static function all(Reading $reading, int $seconds): array
    {
        $rate = $reading->mainVideo()->frameRate ?? FrameRate::of(25);
        $frames = max(1, $reading->length());
        $step = max(1, $seconds) * self::framesPerSecond($rate);
        $segments = [];
        for ($first = 0; $first < $frames; $first += $step) {
            $segments[] = new self(new FrameRange($first, min($frames, $first + $step) - 1), $rate);
        }

        return $segments;
    }

    /** Seconds are counted in whole frames: at 29.97 fps each has 30. */
    public static function framesPerSecond(FrameRate $rate): int
    {
        return max(1, $rate->perSecond->round());
    }

    /** Frames from one sample of the fields to the next: no multiple of the rhythms in which fields and frames repeat. */
    public static function fieldStep(FrameRate $rate): int
    {
        $step = max(3, intdiv(self::framesPerSecond($rate), 3));
        while ($step % 2 === 0 || $step % 5 === 0) {
            $step++;
        }

        return $step;
    }

    public function isFirst(): bool
    {
        return $this->range->first === 0;
    }

    /**
     * The sound that belongs to it. It is measured in tenths of a second, so that the borders lie on those.
     *
     * @return array{Fraction, Fraction} seconds after the first frame of the cut
     */
    public function sound(): array
    {
        return [$this->tenth($this->range->first), $this->tenth($this->range->last + 1)];
    }

    private function tenth(int $frame): Fraction
    {
        return new Fraction($this->rate->secondsOf($frame)->times(10)->floor(), 10);
    }
}
