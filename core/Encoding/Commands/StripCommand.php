<?php

declare(strict_types=1);

namespace OuterCrate\Encoding\Commands;

/** A row of small pictures, evenly spread over a video, as one JPEG. */
final class StripCommand
{
    /** Pictures of a shorter video are not drawn closer than this many seconds apart. */
    private const SHORTEST = 0.04;

    /** @param  float  $seconds  that the video lasts */
    public static function of(string $video, int $pictures, float $seconds, int $width, int $height, string $output): Command
    {
        $filters = sprintf(
            'fps=fps=%d/%F:round=up,scale=w=%d:h=%d,tile=%dx1',
            $pictures,
            max(self::SHORTEST, $seconds),
            $width,
            $height,
            $pictures,
        );

        return Command::encode(Allowance::Analysis, [
            ...Input::of($video, ['-skip_frame', 'nokey']), '-an', '-vf', $filters,
            '-frames:v', '1', '-q:v', '4', '-f', 'mjpeg', 'file:'.$output,
        ]);
    }
}
