<?php

declare(strict_types=1);

namespace OuterCrate\Encoding\Video;

use OuterCrate\Planning\Plan;
use OuterCrate\Planning\Values\VideoValue;

/** FFV1 version 3 (RFC 9043): every frame by itself, range coder with context, 4 slices or more, each with its checksum. */
final class Ffv1Arguments implements VideoArguments
{
    public function codec(): string
    {
        return 'ffv1';
    }

    public function encoder(?VideoValue $picture = null): string
    {
        return 'ffv1';
    }

    public function arguments(Plan $plan, int $pass): array
    {
        $slices = $plan->frameSize->frame->pixels() > 1_000_000 ? '16' : '4';

        return [
            '-level:v', '3', '-g', '1', '-coder', '1', '-context', '0', '-slices', $slices, '-slicecrc', '1',
            ...($plan->frameRate->scan->isInterlaced() ? InterlaceArguments::of($plan->frameRate->scan) : []),
        ];
    }

    public function usualSpeed(VideoValue $picture): int
    {
        return 24_000_000;
    }
}
