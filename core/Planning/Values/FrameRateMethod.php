<?php

declare(strict_types=1);

namespace OuterCrate\Planning\Values;

/** How frames of one rate become frames of another. */
enum FrameRateMethod: string
{
    case Repeat = 'repeat';
    case Blend = 'blend';
    case Motion = 'motion';

    public function label(): string
    {
        return match ($this) {
            self::Repeat => 'repeated or dropped',
            self::Blend => 'blended',
            self::Motion => 'drawn along the motion',
        };
    }
}
