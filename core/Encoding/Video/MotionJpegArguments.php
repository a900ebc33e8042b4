<?php

declare(strict_types=1);

namespace OuterCrate\Encoding\Video;

use OuterCrate\Planning\Plan;
use OuterCrate\Planning\Values\VideoValue;

/** Motion JPEG. */
final class MotionJpegArguments implements VideoArguments
{
    public function codec(): string
    {
        return 'mjpeg';
    }

    public function encoder(?VideoValue $picture = null): string
    {
        return 'mjpeg';
    }

    public function arguments(Plan $plan, int $pass): array
    {
        return ['-q:v', (string) ($plan->bitrate->quality ?? 3), '-huffman', 'optimal'];
    }

    public function usualSpeed(VideoValue $picture): int
    {
        return 45_000_000;
    }
}
