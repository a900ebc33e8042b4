<?php

declare(strict_types=1);

namespace OuterCrate\Encoding\Video;

use OuterCrate\Planning\Plan;
use OuterCrate\Planning\Values\VideoValue;

/** VC-5 in the manner of CineForm. */
final class Vc5Arguments implements VideoArguments
{
    private const QUALITIES = [
        'film3+', 'film3', 'film2+', 'film2', 'film1.5', 'film1+', 'film1', 'high+', 'high', 'medium+', 'medium', 'low+', 'low',
    ];

    public function codec(): string
    {
        return 'cfhd';
    }

    public function encoder(?VideoValue $picture = null): string
    {
        return 'cfhd';
    }

    public function arguments(Plan $plan, int $pass): array
    {
        return ['-quality', self::QUALITIES[$plan->bitrate->quality ?? 3] ?? 'film2'];
    }

    public function usualSpeed(VideoValue $picture): int
    {
        return 20_000_000;
    }
}
