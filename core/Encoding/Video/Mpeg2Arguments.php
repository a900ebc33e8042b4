<?php

declare(strict_types=1);

namespace OuterCrate\Encoding\Video;

use OuterCrate\Encoding\Passes\Pass;
use OuterCrate\Formats\Picture\BitrateMode;
use OuterCrate\Formats\Picture\Scan;
use OuterCrate\Planning\Plan;
use OuterCrate\Planning\Values\VideoValue;

/** MPEG-2 video. */
final class Mpeg2Arguments implements VideoArguments
{
    public function codec(): string
    {
        return 'mpeg2video';
    }

    public function encoder(?VideoValue $picture = null): string
    {
        return 'mpeg2video';
    }

    public function arguments(Plan $plan, int $pass): array
    {
        $rate = $plan->bitrate;
        $interlaced = $plan->frameRate->scan->isInterlaced();
        $buffer = (string) ($rate->buffer ?? $rate->peak?->bitsPerSecond);
        $rated = match ($rate->mode) {
            BitrateMode::Quality => ['-q:v', (string) $rate->quality],
            BitrateMode::Cbr => [
                '-b:v',
                (string) $rate->average?->bitsPerSecond,
                '-minrate',
                (string) $rate->average?->bitsPerSecond,
                '-maxrate',
                (string) $rate->average?->bitsPerSecond,
                '-bufsize',
                $buffer,
            ],
            default => [
                '-b:v',
                (string) $rate->average?->bitsPerSecond,
                '-maxrate',
                (string) $rate->peak?->bitsPerSecond,
                '-bufsize',
                $buffer,
            ],
        };

        return [
            '-profile:v',
            $plan->video->profile === 'p422' ? '0' : '4',
            ...$rated,
            '-g',
            (string) $plan->keyframes->frames,
            '-bf',
            (string) $plan->keyframes->bFrames,
            '-sc_threshold',
            '1000000000',
            ...$plan->keyframes->closed || $interlaced
                ? ['-flags:v', ($plan->keyframes->closed ? '+cgop' : '').($interlaced ? '+ildct+ilme' : '')]
                : [],
            ...$interlaced ? ['-alternate_scan', '1', '-top', $plan->frameRate->scan === Scan::TopFieldFirst ? '1' : '0'] : [],
            ...$pass === 0 ? [] : ['-pass', (string) $pass, '-passlogfile', Pass::STATISTICS],
        ];
    }

    public function usualSpeed(VideoValue $picture): int
    {
        return 40_000_000;
    }
}
