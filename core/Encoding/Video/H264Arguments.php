<?php

declare(strict_types=1);

namespace OuterCrate\Encoding\Video;

use OuterCrate\Encoding\Passes\Pass;
use OuterCrate\Formats\Picture\BitrateMode;
use OuterCrate\Formats\Picture\Scan;
use OuterCrate\Planning\Plan;
use OuterCrate\Planning\Values\VideoValue;

/** H.264 through libx264. */
final class H264Arguments implements VideoArguments
{
    private const PROFILES = ['high' => 'high', 'main' => 'main', 'baseline' => 'baseline', 'high10' => 'high10', 'high422' => 'high422'];

    private const TUNES = ['grain' => 'grain', 'animation' => 'animation', 'stills' => 'stillimage'];

    /**
     * How far one pass may stray from its average before it is pulled back, as a share of what the encoder does by itself. By itself
     * it comes out 16 % over on 80 s of a picture that gets busier; at a quarter 5.1, and 5.8 on 64 s of drawn, still, noisy and moving
     * picture; at a tenth 2.6 and 3.8 %, for 0.2 dB of SSIM. One pass is to land within 5 %.
     */
    private const STRAYING = '0.1';

    public function codec(): string
    {
        return 'h264';
    }

    public function encoder(?VideoValue $picture = null): string
    {
        return 'libx264';
    }

    public function arguments(Plan $plan, int $pass): array
    {
        $keyframes = $plan->keyframes;
        $private = [
            'open-gop='.($keyframes->closed ? '0' : '1'),
            'b-pyramid='.($keyframes->pyramid ? 'normal' : 'none'),
            'stitchable=1',
        ];
        if ($plan->bitrate->mode === BitrateMode::Cbr) {
            $private[] = 'nal-hrd=cbr';
        }
        array_push($private, ...self::ofDevice($plan));
        if ($plan->bitrate->mode === BitrateMode::Vbr && $plan->bitrate->passes === 1) {
            $private[] = 'ratetol='.self::STRAYING;
        }
        if ($plan->frameRate->scan->isInterlaced()) {
            $private[] = $plan->frameRate->scan === Scan::TopFieldFirst ? 'tff=1' : 'bff=1';
        }

        return [
            '-preset', $plan->video->effort,
            '-profile:v', self::PROFILES[$plan->video->profile ?? 'high'] ?? 'high',
            ...($plan->video->level === null ? [] : ['-level:v', $plan->video->level]),
            ...(isset(self::TUNES[$plan->video->tune ?? '']) ? ['-tune', self::TUNES[$plan->video->tune ?? '']] : []),
            ...RateArguments::of($plan->bitrate),
            ...($keyframes->references === null ? [] : ['-refs', (string) $keyframes->references]),
            ...($keyframes->sceneCuts ? [] : ['-sc_threshold', '0']),
            ...($plan->frameRate->scan->isInterlaced() ? ['-flags:v', '+ildct+ilme'] : []),
            '-g', (string) $keyframes->frames,
            '-bf', (string) $keyframes->bFrames,
            '-x264-params', implode(':', $private),
            ...($pass === 0 ? [] : ['-pass', (string) $pass, '-passlogfile', Pass::STATISTICS]),
        ];
    }

    public function usualSpeed(VideoValue $picture): int
    {
        return match ($picture->effort) {
            'fast' => 16_000_000,
            'slow' => 5_000_000,
            default => 11_000_000,
        };
    }

    /** @return list<string> what a device asks of the stream beyond rates and level */
    private static function ofDevice(Plan $plan): array
    {
        $device = $plan->spec->preset->device;
        $fields = $device?->picture($plan->frameSize->frame, $plan->frameRate->rate)?->fields === true;

        return [
            ...$device?->slices === null ? [] : ["slices={$device->slices}"],
            ...$device?->statesBuffer === true && $plan->bitrate->mode !== BitrateMode::Cbr ? ['nal-hrd=vbr'] : [],
            ...$device?->statesBuffer === true ? ['pic-struct=1', 'aud=1', 'weightp=0'] : [],
            // Whole frames, told as the pairs of fields that a player expects.
            ...$fields && ! $plan->frameRate->scan->isInterlaced() ? ['fake-interlaced=1'] : [],
        ];
    }
}
