<?php

namespace App\Work;

use App\Database\DatabaseFile;
use App\Engine\Capabilities;
use App\Engine\Clock;
use App\Engine\ClockWatch;
use App\Models\Volumes;
use App\Models\Work;
use App\Settings\Settings;
use App\Work\Calls\Calls;
use Closure;
use Illuminate\Support\Facades\DB;
use Throwable;

/** Takes work in hand, one piece at a time. */
class Worker
{
    /** Microseconds between looks at what another process does. */
    private const PAUSE = 200_000;

    /** Microseconds after a fault of the database. */
    private const LONG_PAUSE = 1_000_000;

    /** Seconds between looks whether a folder is back. */
    private const MISSING_PAUSE = 2.0;

    /** Seconds between looks at the settings. */
    private const HEARS = 2.0;

    private readonly string $owner;

    private float $heard = 0.0;

    private ?Presence $presence = null;

    public function __construct(
        private readonly WorkQueue $queue,
        private readonly Kinds $kinds,
        private readonly Settings $settings,
        private readonly Conclusion $conclusion,
        private readonly Capabilities $capabilities,
        private readonly Calls $calls,
    ) {
        $this->owner = Owner::current();
    }

    /**
     * Works until it is told to leave.
     *
     * @param  list<string>  $kinds
     * @param  Closure(): bool  $leaving  true once what is in hand is to be given back
     * @param  Closure(): bool  $idle  true once nothing new is to be taken in hand
     */
    public function run(array $kinds, Closure $leaving, Closure $idle): void
    {
        $this->presence = new Presence($this->owner, $kinds, $this->capabilities);
        // Opens the socket now, so that a call between claim() and the first wait is not lost.
        $this->calls->wait(0.0);
        $clock = new ClockWatch;
        while (! $idle()) {
            try {
                DatabaseFile::look();
                $clock->wasSetBack() && $this->queue->hurryAll();
                $this->hearSettings();
                $misses = Volumes::missing();
                $this->presence->say($misses);
                ($misses === null && $this->one($kinds, $leaving)) || $this->calls->wait($this->pause($kinds, $misses));
            } catch (Throwable $e) {
                // A full volume, a locked file: what was in hand comes back when its lease has run out.
                report($e);
                DB::purge();
                usleep(self::LONG_PAUSE);
            }
        }
        rescue($this->presence->leave(...));
    }

    /**
     * Takes one piece of work in hand, if there is any.
     *
     * @param  list<string>  $kinds
     * @param  Closure(): bool|null  $leaving
     * @param  list<int>|null  $only  ids of those that may be taken; all when null
     * @param  Closure(Work): void|null  $onProgress
     * @param  list<int>  $beside  ids of what may be done together with it
     */
    public function one(
        array $kinds,
        ?Closure $leaving = null,
        ?array $only = null,
        ?Closure $onProgress = null,
        array $beside = [],
    ): bool {
        $work = $this->queue->claim($this->kinds->only($kinds), $this->owner, $only);
        if ($work === null) {
            return false;
        }
        $kind = $this->kinds->get($work->kind);
        $mayTake = $only === null ? null : [...$only, ...$beside];
        $meter = new Meter($this->queue, $work, $kind, $leaving ?? fn (): bool => false, $onProgress, $mayTake, $this->presence);
        $this->conclusion->of($work, $kind, $meter, fn () => $kind->run($work, $meter));

        return true;
    }

    /**
     * Seconds to wait for a call before checking the queue again.
     *
     * @param  list<string>  $kinds
     * @param  string|null  $misses  a folder without which nothing is taken
     */
    private function pause(array $kinds, ?string $misses): float
    {
        return $misses === null ? $this->queue->secondsToNext($kinds) : self::MISSING_PAUSE;
    }

    /** What was set on a page holds here in a moment. */
    private function hearSettings(): void
    {
        if (Clock::seconds() - $this->heard > self::HEARS) {
            $this->heard = Clock::seconds();
            $this->settings->refresh();
        }
    }

    /**
     * Does a piece of work here that somebody stands and waits for, unless another process has it in hand: then it is waited for.
     *
     * @param  Closure(Work): void  $onProgress
     * @param  list<int>  $beside  ids of what may be done together with it
     */
    public function finish(Work $work, Closure $onProgress, array $beside = []): void
    {
        while ($work->exists && ! $work->refresh()->state->isOver()) {
            if (! $this->one([$work->kind], only: [$work->id], onProgress: $onProgress, beside: $beside)) {
                usleep(self::PAUSE);
                $onProgress($work);
            }
        }
    }
}
