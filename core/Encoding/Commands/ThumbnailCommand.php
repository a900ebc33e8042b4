<?php

declare(strict_types=1);

namespace OuterCrate\Encoding\Commands;

use OuterCrate\Encoding\Passes\Framing;
use OuterCrate\Units\FrameSize;

/** A still as a host’s thumbnail: a part of it that fills the frame, lifted where it is dark. */
final class ThumbnailCommand
{
    /** Gamma of the brightest lift; above it pictures turn grey. */
    private const BRIGHTEST = 1.8;

    /**
     * @param  string  $still  path of a picture
     * @param  float  $lift  0 (as it is) to 1
     * @param  int  $coarseness  the engine's quality of JPEG, 2 (finest) to 31
     */
    public static function of(string $still, FrameSize $frame, Framing $part, float $lift, int $coarseness, string $output): Command
    {
        $gamma = 1 + (self::BRIGHTEST - 1) * max(0.0, min(1.0, $lift));

        return Command::encode(Allowance::Look, [
            ...Input::of($still),
            '-vf', implode(',', [
                sprintf(
                    'scale=w=%d:h=%d:force_original_aspect_ratio=increase:flags=lanczos',
                    (int) ceil($frame->width * $part->closer),
                    (int) ceil($frame->height * $part->closer),
                ),
                sprintf(
                    'crop=%d:%d:(in_w-out_w)*%.4F:(in_h-out_h)*%.4F', $frame->width, $frame->height, $part->across, $part->down,
                ),
                ...$lift > 0 ? [sprintf('eq=gamma=%.3F', $gamma)] : [],
            ]),
            '-frames:v', '1', '-q:v', (string) $coarseness, '-f', 'mjpeg', 'file:'.$output,
        ]);
    }
}
