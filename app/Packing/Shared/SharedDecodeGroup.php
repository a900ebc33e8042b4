<?php

namespace App\Packing\Shared;

use App\Models\Cut;
use App\Models\Run;
use App\Models\Speed;
use App\Models\Work;
use App\Packing\Passes\OwnEngine;
use App\Work\Conclusion;
use App\Work\Kind;
use App\Work\Meter;
use App\Work\Presence;
use App\Work\WorkQueue;
use Closure;
use OuterCrate\Documents\PlanDocument;
use OuterCrate\Documents\UnreadableDocument;
use OuterCrate\Encoding\Encoders;
use OuterCrate\Estimates\Sharing;
use OuterCrate\Estimates\TimeEstimate;
use OuterCrate\Planning\Plan;

/** Makes consecutive runs of the same frames together, from one decode. */
class SharedDecodeGroup
{
    public function __construct(
        private readonly WorkQueue $queue,
        private readonly Encoders $encoders,
        private readonly PlanDocument $documents,
        private readonly OwnEngine $engine,
        private readonly SharedRound $round,
        private readonly Conclusion $conclusion,
    ) {
    }

    /**
     * Makes runs together. If one fails, the others go on.
     *
     * @param  non-empty-list<Work>  $works  the first is the meter's
     * @param  Closure(Work, Meter): void  $make
     */
    public function make(array $works, Kind $kind, Meter $meter, Closure $make): void
    {
        $runs = [];
        foreach ($works as $i => $work) {
            $own = $i === 0 ? $meter : $meter->alongside($work);
            $runs[] = fn () => $this->conclusion->of($work, $kind, $own, fn () => $make($work, $own));
        }
        (new SharedDecode($this->engine, $this->round))->run($runs);
    }

    /**
     * Claims the next runs in the queue that are faster to make together with this one.
     *
     * @return list<Work> owned by this process from now on
     */
    public function claimed(Work $work, Run $first, Kind $kind, Meter $meter): array
    {
        $plan = $this->planOf($first);
        if (! config('crate.shares') || $plan === null || ! $first->cut instanceof Cut) {
            return [];
        }
        // Those that follow at once: nobody's place in the queue is passed over.
        $plans = [$plan];
        $works = [];
        foreach ($this->queue->following($work, Sharing::MOST - 1) as $next) {
            $run = Run::query()->find($next->subject);
            $plan = $run === null || ! $meter->mayTake($next) || ! self::isOfTheSame($run, $first) ? null : $this->planOf($run);
            if ($plan === null) {
                break;
            }
            [$plans[], $works[]] = [$plan, $next];
        }
        if ($works === []) {
            return [];
        }
        // A machine that has nothing to do is quicker with one of them by itself.
        $left = Presence::idleElsewhere(Run::WORK, $kind::declaration()->atOnce);
        $works = array_slice($works, 0, max(0, count($works) - $left));
        $count = (new Sharing($this->times(), $first->cut->reading(), self::memory()))->of($plans) - 1;
        $taken = [];
        foreach (array_slice($works, 0, $count) as $next) {
            $claimed = $this->queue->claim([$kind], (string) $work->owner, [$next->id]);
            if ($claimed === null) {
                break;
            }
            $taken[] = $claimed;
        }

        return $taken;
    }

    private static function isOfTheSame(Run $run, Run $first): bool
    {
        return $run->cut_id === $first->cut_id && $run->source === $first->source && $run->cut_state == $first->cut_state;
    }

    private function planOf(Run $run): ?Plan
    {
        try {
            return $run->cut === null || $run->document === null
                ? null
                : $this->documents->read($run->document, $run->cut->reading())->plan;
        } catch (UnreadableDocument) {
            // Whoever makes it says so.
            return null;
        }
    }

    private function times(): TimeEstimate
    {
        return new TimeEstimate($this->encoders, Speed::known());
    }

    /** Bytes of memory that encoders may take: half of what is free. */
    private static function memory(): int
    {
        $free = preg_match('~^MemAvailable:\s+(\d+) kB~m', (string) @file_get_contents('/proc/meminfo'), $m) === 1 ? (int) $m[1] : 0;

        return intdiv($free * 1024, 2);
    }
}
