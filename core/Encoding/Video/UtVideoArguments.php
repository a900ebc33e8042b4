<?php

declare(strict_types=1);

namespace OuterCrate\Encoding\Video;

use OuterCrate\Planning\Plan;
use OuterCrate\Planning\Values\VideoValue;

/** UT Video with the median predictor, which makes the smallest files. */
final class UtVideoArguments implements VideoArguments
{
    public function codec(): string
    {
        return 'utvideo';
    }

    public function encoder(?VideoValue $picture = null): string
    {
        return 'utvideo';
    }

    public function arguments(Plan $plan, int $pass): array
    {
        return ['-pred', 'median'];
    }

    public function usualSpeed(VideoValue $picture): int
    {
        return 50_000_000;
    }
}
