<?php

declare(strict_types=1);

namespace OuterCrate\Encoding\Video;

use OuterCrate\Planning\Plan;
use OuterCrate\Planning\Values\PictureValue;

/** Motion JPEG. */
final class MotionJpegArguments implements VideoArguments
{
    public function codec(): string
    {
        return 'mjpeg';
    }

    public function encoder(?PictureValue $picture = null): string
    {
        return 'mjpeg';
    }

    public function arguments(Plan $plan, int $pass): array
    {
        return ['-q:v', (string) ($plan->rate->quality ?? 3), '-huffman', 'optimal'];
    }

    public function usualSpeed(PictureValue $picture): int
    {
        return 45_000_000;
    }
}
