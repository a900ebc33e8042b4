<?php

namespace App\Packing;

use App\Engine\Clock;
use App\Engine\Runner;
use Fiber;
use OuterCrate\Encoding\Commands\Command;

/** Does passes: at once where a run is made by itself, and where it is made with others when all of them want one (SharedDecode). */
class PassEngine
{
    public function __construct(private readonly Runner $runner)
    {
    }

    public function run(PassRequest $request): void
    {
        Fiber::getCurrent() === null ? $this->alone($request) : Fiber::suspend($request);
    }

    public function alone(PassRequest $request): void
    {
        $meter = $request->making->meter;
        $from = Clock::seconds();
        $said = $this->runner->encode(
            $request->command,
            $request->making->scratch->path,
            $request->onProgress,
            $meter->shouldStop(...),
            $meter->isPaused(...),
        );
        self::note($request, $request->command, $said, Clock::seconds() - $from);
    }

    public static function note(PassRequest $request, Command $command, string $said, float $seconds): void
    {
        $request->pass->writes && FinishedFile::mark($request->making, $request->pass, tagged: false);
        $request->making->journal->command($command, (string) config('crate.engine.encoder'), $said, $seconds);
    }
}
