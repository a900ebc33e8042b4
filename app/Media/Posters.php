<?php

namespace App\Media;

use App\Engine\EngineFailed;
use App\Models\Cut;
use OuterCrate\Reading\Reading;

/** The pictures of cuts on the shelf. */
class Posters
{
    private const SIDE = 640;

    public function __construct(private readonly ExactFrames $frames)
    {
    }

    public function path(Cut $cut): string
    {
        return config('crate.derived')."/posters/{$cut->id}.jpg";
    }

    public function has(Cut $cut): bool
    {
        return is_file($this->path($cut));
    }

    /** A picture from a third of the way in. A cut without one is shown without one. */
    public function draw(Cut $cut, Reading $reading): void
    {
        $path = $this->path($cut);
        try {
            OutputFile::needFolder(dirname($path));
            $this->frames->draw($cut->path, $reading, intdiv($reading->length(), 3), self::SIDE, "{$path}.partial");
            rename("{$path}.partial", $path);
        } catch (EngineFailed|FileProblem $e) {
            report($e);
        }
    }

    public function remove(Cut $cut): void
    {
        @unlink($this->path($cut));
    }
}
