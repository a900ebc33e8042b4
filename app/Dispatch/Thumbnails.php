<?php

namespace App\Dispatch;

use App\Dispatch\Connections\SendingFailed;
use App\Engine\EngineFailed;
use App\Engine\Runner;
use App\Media\ExactFrames;
use App\Media\OutputFile;
use App\Media\Scratch;
use App\Models\Dispatch;
use OuterCrate\Encoding\Commands\ThumbnailCommand;
use OuterCrate\Encoding\Passes\Framing;
use OuterCrate\Units\FrameSize;

/** Thumbnails from exact frames of a cut, or from pictures of one’s own, in the shape and size that a host takes. */
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
     * @throws SendingFailed when it was not made of a cut
     * @throws EngineFailed when it cannot be made small enough
     */
    public function ofFrame(Dispatch $dispatch, int $frame, Framing $part, float $lift): string
    {
        $cut = $dispatch->run->cut ?? throw SendingFailed::needsPerson('no-cut', 'It was not made of a cut here.', 'Choose a picture.');
        $reading = $cut->reading();
        if ($frame >= $reading->length()) {
            throw SendingFailed::needsPerson('no-frame', "The cut has {$reading->length()} frames.", 'Choose one of them.');
        }
        $scratch = Scratch::named('thumbnail-'.bin2hex(random_bytes(4)));
        try {
            $this->frames->draw($cut->path, $reading, $frame, self::DRAWN, "{$scratch->path}/still");

            $width = $reading->mainVideo()?->displaySize()->width ?? 0;

            return $this->made($dispatch, "{$scratch->path}/still", $width, $part, $lift, $scratch);
        } finally {
            $scratch->remove();
        }
    }

    /**
     * The same of the picture that was brought along for it.
     *
     * @throws SendingFailed when there is none
     * @throws EngineFailed when it cannot be made small enough
     */
    public function ofPicture(Dispatch $dispatch, Framing $part, float $lift): string
    {
        $picture = self::picture($dispatch);
        $width = is_file($picture) ? (@getimagesize($picture) ?: [0])[0] : 0;
        $width > 0 || throw SendingFailed::needsPerson('no-picture', 'No picture was brought along for it.', 'Choose one.');
        $scratch = Scratch::named('thumbnail-'.bin2hex(random_bytes(4)));
        try {
            return $this->made($dispatch, $picture, $width, $part, $lift, $scratch);
        } finally {
            $scratch->remove();
        }
    }

    /** Where the picture lies that was brought along for it. */
    public static function picture(Dispatch $dispatch): string
    {
        return config('crate.derived')."/dispatches/{$dispatch->key}.picture";
    }

    /** What was brought along for one that is no longer at its host. Its thumbnail stays: one that took its place shows the same. */
    public static function forgetPicture(Dispatch $dispatch): void
    {
        OutputFile::remove(self::picture($dispatch));
    }

    private function made(Dispatch $dispatch, string $still, int $width, Framing $part, float $lift, Scratch $scratch): string
    {
        $takes = $dispatch->account->takes();
        $least = $takes->thumbnail ?? new FrameSize(640, 360);
        // Twice as large as it has to be, where there is as much.
        $times = $width >= 2 * $part->closer * $least->width ? 2 : 1;
        $size = new FrameSize($times * $least->width, $times * $least->height);
        $path = config('crate.derived')."/dispatches/{$dispatch->key}.jpg";
        OutputFile::needFolder(dirname($path));
        foreach (self::COARSER as $coarseness) {
            $this->runner->encode(
                ThumbnailCommand::of($still, $size, $part, $lift, $coarseness, "{$scratch->path}/made"), $scratch->path,
            );
            if ($scratch->bytes('made') <= ($takes->thumbnailBytes ?? PHP_INT_MAX)) {
                $scratch->moveTo('made', $path);

                return $path;
            }
        }
        throw new EngineFailed('The picture cannot be made small enough for its host.', 'Choose another one.');
    }
}
