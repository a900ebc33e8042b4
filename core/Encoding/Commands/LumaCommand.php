<?php

declare(strict_types=1);

namespace OuterCrate\Encoding\Commands;

use InvalidArgumentException;
use OuterCrate\Encoding\Passes\Excerpt;
use OuterCrate\Reading\Reading;
use OuterCrate\Units\FrameRange;
use OuterCrate\Units\FrameSize;

/** Luma of one frame of a file, as it is measured, at a size: two bytes for each sample, the lower first. */
final class LumaCommand
{
    /** Written to this file of the working folder. */
    public const FILE = 'luma';

    /** @throws InvalidArgumentException when there is no picture */
    public static function of(Reading $reading, string $path, int $frame, FrameSize $size): Command
    {
        $video = $reading->mainVideo() ?? throw new InvalidArgumentException('There is no picture to look at.');
        $excerpt = new Excerpt($reading, new FrameRange($frame, $frame));
        $viewing = new Viewing($video);
        $filters = [...$viewing->progressive(), ...$excerpt->picture(), ...$viewing->asMeasured($size), 'extractplanes=y'];

        return Command::encode(Allowance::Look, [
            ...Input::of($path, $excerpt->input()), '-map', "0:{$video->index}", '-vf', implode(',', $filters),
            '-frames:v', '1', '-pix_fmt', 'gray10le', '-f', 'rawvideo', self::FILE,
        ]);
    }
}
