<?php

namespace App\Dispatch;

use App\Engine\EngineFailed;
use App\Engine\Runner;
use App\Media\ExactFrames;
use App\Media\OutputFile;
use App\Media\Scratch;
use App\Models\Dispatch;
use OuterCrate\Encoding\Commands\ThumbnailCommand;
use OuterCrate\Units\FrameSize;

/** Thumbnails from exact frames of a cut, in the shape and size that a host takes. */
class Thumbnails
{
    /** Pixels across that a frame is drawn with. */
    private const DRAWN = 1920;

    /** The engine's qualities of JPEG that are tried until one is small enough. */
    private const COARSER = [2, 5, 10, 20, 31];

    public function __construct(private readonly ExactFrames $frames, private readonly Runner $runner)
    {
    }

    /**
     * @param  int  $frame  of the cut, counted from 0
     * @param  float  $lift  0 to 1
     * @return string path of a JPEG
     *
     * @throws SendingFailed when it was not made of a cut, or cannot be made small enough
     */
    public function make(Dispatch $dispatch, int $frame, float $lift): string
    {
        $cut = $dispatch->run->cut ?? throw SendingFailed::needsPerson('no-cut', 'It was not made of a cut here.', 'Choose a picture.');
        $reading = $cut->reading();
        if ($frame >= $reading->length()) {
            throw SendingFailed::needsPerson('no-frame', "The cut has {$reading->length()} frames.", 'Choose one of them.');
        }
        $takes = $dispatch->account->takes();
        $least = $takes->thumbnail ?? new FrameSize(640, 360);
        // Twice as large as it has to be, where the cut has as much.
        $times = ($reading->mainVideo()?->displaySize()->width ?? 0) >= 2 * $least->width ? 2 : 1;
        $folder = config('crate.derived').'/dispatches';
        OutputFile::needFolder($folder);
        $path = "{$folder}/{$dispatch->key}.jpg";
        $scratch = Scratch::named('thumbnail-'.bin2hex(random_bytes(4)));
        try {
            $this->frames->draw($cut->path, $reading, $frame, self::DRAWN, "{$scratch->path}/still");
            $size = new FrameSize($times * $least->width, $times * $least->height);
            foreach (self::COARSER as $coarseness) {
                $this->runner->encode(
                    ThumbnailCommand::of("{$scratch->path}/still", $size, $lift, $coarseness, "{$scratch->path}/made"), $scratch->path,
                );
                if ($scratch->bytes('made') <= ($takes->thumbnailBytes ?? PHP_INT_MAX)) {
                    $scratch->moveTo('made', $path);

                    return $path;
                }
            }
        } finally {
            $scratch->remove();
        }
        throw new EngineFailed('The picture cannot be made small enough for its host.', 'Choose another frame.');
    }
}
