<?php

declare(strict_types=1);

namespace OuterCrate\Encoding\Commands;

use OuterCrate\Encoding\Passes\Excerpt;
use OuterCrate\Reading\Reading;
use OuterCrate\Reading\VideoReading;
use OuterCrate\Units\FrameRange;

/** One frame of a cut, exactly, as a JPEG that shows it on a BT.709 screen. */
final class StillCommand
{
    /** @param  int  $side  of the box it is to fit in, in pixels */
    public static function of(Reading $reading, VideoReading $video, string $cut, int $frame, int $side, string $output): Command
    {
        $excerpt = new Excerpt($reading, new FrameRange($frame, $frame));
        $viewing = new Viewing($video);
        $filters = [...$viewing->progressive(), ...$excerpt->picture(), ...$viewing->asStill($viewing->size($side))];

        return Command::encode(Allowance::Look, [
            ...Input::of($cut, $excerpt->input()), '-map', "0:{$video->index}", '-vf', implode(',', $filters),
            '-frames:v', '1', '-q:v', '2', '-f', 'mjpeg', 'file:'.$output,
        ]);
    }
}
