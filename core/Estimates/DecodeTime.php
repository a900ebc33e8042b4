<?php

declare(strict_types=1);

namespace OuterCrate\Estimates;

use OuterCrate\Reading\Reading;

/** How long decoding a cut takes. */
final class DecodeTime
{
    /**
     * Pixels that one core decodes in a second, timed beside H.264 at its usual effort, which codes 10 million of them: three seconds of
     * moving, grainy 1280×720 at the rates that each codec is used at.
     */
    private const PIXELS = [
        'av1' => 80_000_000,
        'dnxhd' => 77_000_000,
        'ffv1' => 5_000_000,
        'h264' => 70_000_000,
        'hevc' => 64_000_000,
        'mjpeg' => 130_000_000,
        'mpeg2video' => 200_000_000,
        'prores' => 38_000_000,
        'rawvideo' => 500_000_000,
        'utvideo' => 86_000_000,
        'v210' => 500_000_000,
        'vp9' => 130_000_000,
    ];

    private const OTHERS = 60_000_000;

    /** Ten bits of H.264 come from cameras, at three times the rate. */
    private const DEEP_H264 = 23_000_000;

    /** Seconds for so many frames of its picture. */
    public static function of(Reading $cut, int $frames): float
    {
        $video = $cut->mainVideo();
        if ($video === null) {
            return 0.0;
        }
        $isDeep = $video->codec === 'h264' && $video->pixelFormat->bitDepth > 8;

        return $frames * $video->size->pixels() / ($isDeep ? self::DEEP_H264 : self::PIXELS[$video->codec] ?? self::OTHERS);
    }
}
