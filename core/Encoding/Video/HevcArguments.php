<?php

declare(strict_types=1);

namespace OuterCrate\Encoding\Video;

use OuterCrate\Encoding\Passes\Pass;
use OuterCrate\Formats\Picture\BitrateMode;
use OuterCrate\Formats\Video\Hevc;
use OuterCrate\Planning\Plan;
use OuterCrate\Planning\Values\VideoValue;

/** HEVC through libx265. */
final class HevcArguments implements VideoArguments
{
    public function codec(): string
    {
        return 'hevc';
    }

    public function encoder(?VideoValue $picture = null): string
    {
        return 'libx265';
    }

    public function arguments(Plan $plan, int $pass): array
    {
        $keyframes = $plan->keyframes;
        $mastering = $plan->colour->mastering?->inSteps();
        $light = $plan->colour->light;
        $private = [
            'log-level=none',
            'open-gop='.($keyframes->closed ? '0' : '1'),
            'b-pyramid='.($keyframes->pyramid ? '1' : '0'),
            'bframes='.$keyframes->bFrames,
            ...$keyframes->references === null ? [] : ["ref={$keyframes->references}"],
            ...$keyframes->sceneCuts ? [] : ['scenecut=0'],
            ...$plan->video->level === null
                ? []
                : [
                    'level-idc='.str_replace(Hevc::HIGH_TIER, '', $plan->video->level),
                    'high-tier='.(str_ends_with($plan->video->level, Hevc::HIGH_TIER) ? '1' : '0'),
                ],
            ...$plan->bitrate->mode === BitrateMode::Cbr ? ['strict-cbr=1', 'hrd=1'] : [],
            ...$plan->colour->colour->isHdr() ? ['hdr10-opt=1', 'repeat-headers=1'] : [],
            ...$mastering === null ? [] : ["master-display={$mastering}"],
            ...$light === null ? [] : ["max-cll={$light->brightestPixel},{$light->brightestFrame}"],
            ...$pass === 0 ? [] : ["pass={$pass}", 'stats='.Pass::STATISTICS],
        ];

        return [
            '-preset',
            $plan->video->effort,
            '-profile:v',
            $plan->video->profile ?? 'main',
            ...in_array($plan->video->tune, ['grain', 'animation'], true) ? ['-tune', $plan->video->tune] : [],
            ...RateArguments::of($plan->bitrate),
            '-g',
            (string) $keyframes->frames,
            '-x265-params',
            implode(':', $private),
            ...in_array($plan->container->container->id(), ['mp4', 'mov'], true) ? ['-tag:v', 'hvc1'] : [],
        ];
    }

    public function usualSpeed(VideoValue $picture): int
    {
        return match ($picture->effort) {
            'fast' => 4_000_000,
            'slow' => 700_000,
            default => 2_600_000,
        };
    }
}
