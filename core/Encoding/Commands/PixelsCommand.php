<?php

declare(strict_types=1);

namespace OuterCrate\Encoding\Commands;

use InvalidArgumentException;
use OuterCrate\Encoding\Passes\Excerpt;
use OuterCrate\Reading\Reading;
use OuterCrate\Units\FrameRange;
use OuterCrate\Units\FrameSize;

/** One frame of a file, exactly, as a PNG at a size: what is looked at pixel by pixel beside another. */
final class PixelsCommand
{
    /** @throws InvalidArgumentException when there is no picture */
    public static function of(Reading $reading, string $path, int $frame, FrameSize $size, string $output): Command
    {
        $video = $reading->mainVideo() ?? throw new InvalidArgumentException('There is no picture to look at.');
        $excerpt = new Excerpt($reading, new FrameRange($frame, $frame));
        $viewing = new Viewing($video);
        $filters = [...$viewing->progressive(), ...$excerpt->picture(), ...$viewing->asPixels($size)];

        return Command::encode(Allowance::Look, [
            ...Input::of($path, $excerpt->input()), '-map', "0:{$video->index}", '-vf', implode(',', $filters),
            '-frames:v', '1', '-compression_level', '3', '-f', 'image2pipe', '-c:v', 'png', 'file:'.$output,
        ]);
    }
}
