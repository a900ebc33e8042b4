<?php

declare(strict_types=1);

namespace OuterCrate\Transit;

/** Why a piece is in a test. */
enum Why: string
{
    case Typical = 'typical';
    case Busiest = 'busiest';
    case Fastest = 'fastest';
    case Gradient = 'gradient';
    case Grainiest = 'grainiest';
    case Chosen = 'chosen';
    case Whole = 'whole';

    public function words(): string
    {
        return match ($this) {
            self::Typical => 'stands for others like it',
            self::Busiest => 'the most to code',
            self::Fastest => 'the fastest movement',
            self::Gradient => 'the darkest gradients',
            self::Grainiest => 'the most grain',
            self::Chosen => 'chosen by you',
            self::Whole => 'all of it is tested',
        };
    }
}
