<?php

declare(strict_types=1);

namespace OuterCrate\Encoding\Video;

use OuterCrate\Formats\RateMode;
use OuterCrate\Planning\Plan;
use OuterCrate\Planning\Values\PictureValue;

/** AV1 through SVT-AV1. */
final class Av1Arguments implements VideoArguments
{
    private const EFFORT = ['fast' => '10', 'medium' => '8', 'slow' => '5'];

    public function codec(): string
    {
        return 'av1';
    }

    public function encoder(?PictureValue $picture = null): string
    {
        return 'libsvtav1';
    }

    public function arguments(Plan $plan, int $pass): array
    {
        $rate = $plan->rate;
        $mastering = $plan->colour->mastering?->inNumbers();
        $light = $plan->colour->light;
        $parameters = [...($mastering === null ? [] : ["mastering-display={$mastering}"]), ...($light === null ? [] : ["content-light={$light->brightestPixel},{$light->brightestFrame}"])];

        return [
            '-preset', self::EFFORT[$plan->picture->effort] ?? '8',
            ...($rate->mode === RateMode::Quality ? ['-crf', (string) $rate->quality] : ['-b:v', (string) $rate->average?->bitsPerSecond]),
            '-g', (string) $plan->keyframes->frames,
            ...($parameters === [] ? [] : ['-svtav1-params', implode(':', $parameters)]),
        ];
    }

    public function usualSpeed(PictureValue $picture): int
    {
        return match ($picture->effort) {
            'fast' => 9_000_000,
            'slow' => 900_000,
            default => 4_500_000,
        };
    }
}
