<?php

namespace App\Media;

use App\Analysis\Workspace;
use App\Engine\Engine;
use App\Models\Cut;

/** Single frames of cuts, decoded exactly and kept for the next look. */
class ExactFrames
{
    private const SMALL_SIDE = 480;

    private const LARGE_SIDE = 1920;

    /** Frames kept for one cut; when there are more, the half that was made first goes. */
    private const MOST_KEPT = 600;

    public function __construct(private readonly Engine $engine)
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
        if ($cut->hasChanged()) {
            throw new FileProblem('The file has changed or gone since it was read.', $cut->path);
        }
        $reading = $cut->reading();
        if ($frame < 0 || $frame >= $reading->length()) {
            throw new FileProblem("There is no frame {$frame}: the cut has {$reading->length()}, counted from 0.", $cut->path);
        }
        $partial = "{$folder}/.".bin2hex(random_bytes(6));
        try {
            $this->engine->still($cut->path, $reading, $frame, $large ? self::LARGE_SIDE : self::SMALL_SIDE, $partial);
            rename($partial, $path);
        } finally {
            @unlink($partial);
        }
        $this->prune($folder);

        return $path;
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
