<?php

namespace App\Media;

use App\Engine\EngineFailed;
use App\Engine\Runner;
use App\Models\Cut;
use OuterCrate\Encoding\Commands\StillCommand;
use OuterCrate\Reading\Reading;

/** Single frames of cuts, decoded exactly and kept for the next look. */
class ExactFrames
{
    private const SMALL_SIDE = 480;

    private const LARGE_SIDE = 1920;

    /** Frames kept for one cut; when there are more, the half that was made first goes. */
    private const MOST_KEPT = 600;

    public function __construct(private readonly Runner $runner)
    {
    }

    /**
     * @param  int  $frame  counted from 0
     * @return string path of a JPEG
     *
     * @throws FileProblem when the cut has no such frame, or its file has changed or gone
     * @throws \App\Engine\EngineFailed
     */
    public function of(Cut $cut, int $frame, bool $large): string
    {
        $folder = Workspace::ofCut($cut->id)->frames($cut->modified);
        $path = "{$folder}/{$frame}".($large ? '-large' : '').'.jpg';
        if (is_file($path)) {
            return $path;
        }
        CutFile::need($cut, 'Read it again, or point to where it lies.');
        $reading = $cut->reading();
        if ($frame < 0 || $frame >= $reading->length()) {
            throw new FileProblem(
                "There is no frame {$frame}: the cut has {$reading->length()}, counted from 0.",
                $cut->path,
                'Ask for one of them.',
            );
        }
        $partial = "{$folder}/.".bin2hex(random_bytes(6));
        try {
            $this->draw($cut->path, $reading, $frame, $large ? self::LARGE_SIDE : self::SMALL_SIDE, $partial);
            rename($partial, $path);
        } finally {
            @unlink($partial);
        }
        $this->prune($folder);

        return $path;
    }

    /**
     * @param  int  $side  of the box it is to fit in, in pixels
     *
     * @throws EngineFailed also when there is no such frame
     */
    public function draw(string $path, Reading $reading, int $frame, int $side, string $output): void
    {
        $video = $reading->mainVideo() ?? throw EngineFailed::noPicture();
        $this->runner->encode(StillCommand::of($reading, $video, $path, $frame, $side, $output), dirname($output));
        if (! is_file($output) || filesize($output) === 0) {
            throw new EngineFailed("Frame {$frame} could not be decoded.", 'The file may be damaged there: play it, or export it again.');
        }
    }

    private function prune(string $folder): void
    {
        $kept = glob("{$folder}/*.jpg") ?: [];
        if (count($kept) <= self::MOST_KEPT) {
            return;
        }
        usort($kept, fn (string $a, string $b): int => (int) @filemtime($a) <=> (int) @filemtime($b));
        array_map(unlink(...), array_slice($kept, 0, intdiv(self::MOST_KEPT, 2)));
    }
}
