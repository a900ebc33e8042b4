<?php

declare(strict_types=1);

namespace OuterCrate\Encoding\Video;

use OuterCrate\Formats\Picture\BitrateMode;
use OuterCrate\Planning\Plan;
use OuterCrate\Planning\Values\VideoValue;
use OuterCrate\Units\Bitrate;

/** AV1 through SVT-AV1. */
final class Av1Arguments implements LimitsBitrate, VideoArguments
{
    private const EFFORT = ['fast' => '10', 'medium' => '8', 'slow' => '5'];

    public function codec(): string
    {
        return 'av1';
    }

    public function encoder(?VideoValue $picture = null): string
    {
        return 'libsvtav1';
    }

    public function arguments(Plan $plan, int $pass): array
    {
        $rate = $plan->bitrate;
        $mastering = $plan->colour->mastering?->inNumbers();
        $light = $plan->colour->light;
        $parameters = [
            ...$mastering === null ? [] : ["mastering-display={$mastering}"],
            ...$light === null ? [] : ["content-light={$light->brightestPixel},{$light->brightestFrame}"],
        ];

        return [
            '-preset',
            self::EFFORT[$plan->video->effort] ?? '8',
            ...$rate->mode === BitrateMode::Quality ? ['-crf', (string) $rate->quality] : ['-b:v', (string) $rate->average?->bitsPerSecond],
            '-g',
            (string) $plan->keyframes->frames,
            ...$parameters === [] ? [] : ['-svtav1-params', implode(':', $parameters)],
        ];
    }

    /** Tried: it opens at 100 000 kb/s and not at 100 001 (SVT-AV1 1.4). */
    public function mostAverage(): Bitrate
    {
        return Bitrate::kilobits(100_000);
    }

    public function usualSpeed(VideoValue $picture): int
    {
        return match ($picture->effort) {
            'fast' => 9_000_000,
            'slow' => 900_000,
            default => 4_500_000,
        };
    }
}
