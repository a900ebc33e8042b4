<?php

declare(strict_types=1);

namespace OuterCrate\Encoding\Video;

use OuterCrate\Planning\Plan;
use OuterCrate\Planning\Values\VideoValue;

final class PngArguments implements VideoArguments
{
    public function codec(): string
    {
        return 'png';
    }

    public function encoder(?VideoValue $picture = null): string
    {
        return 'png';
    }

    public function arguments(Plan $plan, int $pass): array
    {
        return ['-pred', 'mixed', ...StillPixels::of($plan->colour->pixelFormat, 'be')];
    }

    public function usualSpeed(VideoValue $picture): int
    {
        return 8_000_000;
    }
}
