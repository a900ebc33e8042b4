<?php

declare(strict_types=1);

namespace OuterCrate\Encoding\Video;

use OuterCrate\Planning\Plan;
use OuterCrate\Planning\Values\VideoValue;

final class TiffArguments implements VideoArguments
{
    public function codec(): string
    {
        return 'tiff';
    }

    public function encoder(?VideoValue $picture = null): string
    {
        return 'tiff';
    }

    public function arguments(Plan $plan, int $pass): array
    {
        return ['-compression_algo', 'lzw', ...StillPixels::of($plan->colour->pixelFormat, 'le')];
    }

    public function usualSpeed(VideoValue $picture): int
    {
        return 14_000_000;
    }
}
