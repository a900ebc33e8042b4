<?php

declare(strict_types=1);

namespace OuterCrate\Encoding\Video;

use OuterCrate\Encoding\Passes\Pass;
use OuterCrate\Formats\Picture\BitrateMode;
use OuterCrate\Planning\Plan;
use OuterCrate\Planning\Values\VideoValue;

/** VP9 through libvpx. */
final class Vp9Arguments implements VideoArguments
{
    private const EFFORT = ['fast' => '5', 'medium' => '3', 'slow' => '1'];

    public function codec(): string
    {
        return 'vp9';
    }

    public function encoder(?VideoValue $picture = null): string
    {
        return 'libvpx-vp9';
    }

    public function arguments(Plan $plan, int $pass): array
    {
        $rate = $plan->bitrate;
        // Constant quality is asked for by a rate of zero; with a peak it is held below that.
        $quality =
            $rate->mode === BitrateMode::Quality
                ? ['-crf', (string) $rate->quality, '-b:v', (string) ($rate->peak->bitsPerSecond ?? 0)]
                : RateArguments::of($rate);

        return [
            '-profile:v',
            substr($plan->video->profile ?? 'p0', 1),
            '-deadline',
            'good',
            '-cpu-used',
            self::EFFORT[$plan->video->effort] ?? '3',
            '-row-mt',
            '1',
            '-tile-columns',
            '2',
            '-auto-alt-ref',
            $pass === 0 ? '0' : '1',
            ...$quality,
            '-g',
            (string) $plan->keyframes->frames,
            ...$pass === 0 ? [] : ['-pass', (string) $pass, '-passlogfile', Pass::STATISTICS],
        ];
    }

    public function usualSpeed(VideoValue $picture): int
    {
        return match ($picture->effort) {
            'fast' => 5_000_000,
            'slow' => 900_000,
            default => 2_600_000,
        };
    }
}
