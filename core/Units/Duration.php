<?php

declare(strict_types=1);

namespace OuterCrate\Units;

/** Says a length of time as people write it. */
final readonly class Duration
{
    public function __construct(public Fraction $seconds)
    {
    }

    /** 0:12.5, 3:05, 1:02:07: tenths only below a minute. */
    public function __toString(): string
    {
        $tenths = $this->seconds->times(10)->round();
        if ($tenths < 600) {
            return sprintf('0:%02d', intdiv($tenths, 10)).($tenths % 10 === 0 ? '' : '.'.$tenths % 10);
        }
        $whole = $this->seconds->round();

        return $whole < 3600
            ? sprintf('%d:%02d', intdiv($whole, 60), $whole % 60)
            : sprintf('%d:%02d:%02d', intdiv($whole, 3600), intdiv($whole, 60) % 60, $whole % 60);
    }
}
