<?php

namespace App\Packing\Passes;

use App\Engine\Clock;
use App\Engine\Runner;
use App\Packing\Run\FinishedFile;
use OuterCrate\Encoding\Commands\Command;

/** Starts an engine for one pass. */
class OwnEngine implements PassEngine
{
    public function __construct(private readonly Runner $runner)
    {
    }

    public function run(PassRequest $request): void
    {
        $meter = $request->file->meter;
        $from = Clock::seconds();
        $said = $this->runner->encode(
            $request->command,
            $request->file->scratch->path,
            $request->onProgress,
            $meter->shouldStop(...),
            $meter->isPaused(...),
        );
        self::note($request, $request->command, $said, Clock::seconds() - $from);
    }

    /** Marks the file as written, and adds the command to the log. */
    public static function note(PassRequest $request, Command $command, string $said, float $seconds): void
    {
        $request->pass->writes && FinishedFile::mark($request->file, $request->pass, tagged: false);
        $request->file->journal->command($command, (string) config('crate.engine.encoder'), $said, $seconds);
    }
}
