<?php

namespace App\Packing\Run;

use App\Media\OutputFile;
use App\Media\Scratch;
use App\Models\Part;
use App\Models\Run;

/** What a run leaves on disk while its file is made: its working folder, its parts, and unfinished files beside its place. */
final class RunFolder
{
    /** Name of the working folder. */
    public static function name(int $run): string
    {
        return "run-{$run}";
    }

    public static function open(int $run): Scratch
    {
        return Scratch::kept(self::name($run));
    }

    /** Removes the working folder and the parts. */
    public static function forget(int $run): void
    {
        Scratch::forget(self::name($run));
        Part::forget($run);
    }

    /** A partial file of this attempt. */
    public static function partial(Run $run, int $attempt, bool $isFolder): OutputFile
    {
        return OutputFile::at($run->file, self::token($run).$attempt, $isFolder);
    }

    /**
     * Removes unfinished files of a run, unless an engine that cannot be ended still has them.
     *
     * @param  string|null  $but  path of the one to keep
     * @param  int  $minAge  seconds since the last write; younger files are kept
     */
    public static function discardLeftovers(Run $run, ?string $but = null, int $minAge = 0): void
    {
        if (! StuckEngine::isThere($run->id)) {
            OutputFile::discardLeftovers($run->file, self::token($run), $but, $minAge);
        }
    }

    private static function token(Run $run): string
    {
        return "run{$run->id}-";
    }
}
