<?php

namespace App\Packing\Shared;

use App\Engine\Clock;
use App\Engine\EngineFailed;
use App\Engine\Runner;
use App\Engine\Stopped;
use App\Media\Scratch;
use App\Packing\Passes\OwnEngine;
use App\Packing\Passes\PassRequest;
use Closure;
use OuterCrate\Encoding\Commands\SharedCommand;
use OuterCrate\Encoding\Commands\SharedPass;
use OuterCrate\Encoding\Commands\Witness;
use OuterCrate\Encoding\Passes\Pass;
use OuterCrate\Encoding\Progress;
use OuterCrate\Reading\Quantisers;

/** One pass of each of several runs, in one run of the engine. */
class SharedRound
{
    /** @var array<string, list<string>> what lay in the working folder of each before, by its path */
    private array $before = [];

    /** @var list<Scratch> of those that ended while the engine went on for the others */
    private array $left = [];

    public function __construct(private readonly Runner $runner)
    {
    }

    /**
     * @param  non-empty-list<PassRequest>  $requests
     * @param  Closure(): bool  $shouldStop
     * @param  Closure(): bool  $isPaused
     *
     * @throws EngineFailed
     * @throws Stopped
     */
    public function run(array $requests, Closure $shouldStop, Closure $isPaused): void
    {
        $shared = new SharedCommand(array_map(
            fn (PassRequest $request): SharedPass => new SharedPass($request->pass, self::name($request), $request->target),
            $requests,
        ), $requests[0]->file->run->source);
        $this->before = [];
        foreach ($requests as $request) {
            $scratch = $request->file->scratch;
            $this->before[$scratch->path] = $scratch->names();
            // Where another pass than the first reads what that one gathered, the engine looks for it under this pass's number.
            $this->renumber($scratch, 0, $shared->numbers[self::name($request)]);
        }
        $from = Clock::seconds();
        try {
            $said = $this->runner->encode(
                $shared->command,
                dirname($requests[0]->file->scratch->path),
                fn (Progress $progress) => $this->tell($requests, $progress),
                $shouldStop,
                $isPaused,
            );
        } finally {
            array_map(fn (Scratch $scratch) => $scratch->remove(), $this->left);
            $this->left = [];
        }
        $seconds = Clock::seconds() - $from;
        foreach ($requests as $request) {
            if (is_dir($request->file->scratch->path)) {
                $this->sort($request, $shared, $requests);
                OwnEngine::note($request, $shared->command, $said, $seconds);
                $request->file->journal->result('Decoded once, together with '.$this->others($request, $requests).'.');
            }
        }
    }

    /** A run that is to end finds what it had, and nothing of what the engine still makes of it. */
    public function part(PassRequest $request): void
    {
        $scratch = $request->file->scratch;
        $this->left[] = $scratch->part($this->before[$scratch->path] ?? []);
    }

    private static function name(PassRequest $request): string
    {
        return basename($request->file->scratch->path);
    }

    /**
     * The engine counts the frames of the first output; of the others it is known how long they are by then, and how large.
     *
     * @param  non-empty-list<PassRequest>  $requests
     */
    private function tell(array $requests, Progress $progress): void
    {
        foreach ($requests as $i => $request) {
            clearstatcache(true, (string) $request->target);
            $bytes = $request->target === null ? 0 : (int) @filesize($request->target);
            ($request->onProgress)(new Progress(
                $i === 0 ? $progress->frames : 0, $progress->framesPerSecond, $bytes, $progress->ended, $progress->seconds,
            ));
        }
    }

    /**
     * What a pass left beside its file, under the names that it has where it is alone.
     *
     * @param  non-empty-list<PassRequest>  $requests
     */
    private function sort(PassRequest $request, SharedCommand $shared, array $requests): void
    {
        [$scratch, $name] = [$request->file->scratch, self::name($request)];
        $request->pass->writes ?: $this->renumber($scratch, $shared->numbers[$name], 0);
        $number = $shared->files[$name];
        $own = fn (string $line): ?string => preg_match("~^out= *{$number} (.*)$~s", $line, $m) === 1 ? "out= 0 {$m[1]}" : null;
        $scratch->sift('../'.$shared->told, Quantisers::FILE, $own);
        $alike = $shared->alike[$name] ?? null;
        foreach ($alike === null ? [] : [Witness::PICTURES, Witness::TIMES, Witness::SOUND] as $left) {
            $scratch->alsoAs("../{$alike}/{$left}", $left);
        }
    }

    private function renumber(Scratch $scratch, int $from, int $to): void
    {
        foreach ($from === $to ? [] : ['.log', '.log.mbtree'] as $ending) {
            $scratch->alsoAs(Pass::STATISTICS."-{$from}{$ending}", Pass::STATISTICS."-{$to}{$ending}");
        }
    }

    /** @param  non-empty-list<PassRequest>  $requests */
    private function others(PassRequest $request, array $requests): string
    {
        $others = array_filter($requests, fn (PassRequest $other): bool => $other !== $request);

        return implode(' and ', array_map(fn (PassRequest $other): string => mb_scrub(basename($other->file->run->file)), $others));
    }
}
