<?php

namespace App\Packing;

use App\Models\Cut;
use App\Models\Run;
use App\Models\Speed;
use App\Models\Work;
use App\Work\Kind;
use App\Work\Meter;
use App\Work\Presence;
use App\Work\WorkQueue;
use OuterCrate\Encoding\Encoders;
use OuterCrate\Estimates\Sharing;
use OuterCrate\Estimates\TimeEstimate;
use OuterCrate\Json\Freezer;
use OuterCrate\Planning\Plan;
use Throwable;

/** Finds the runs that follow one in the queue and are made together with it, and takes them in hand. */
class Sisters
{
    public function __construct(private readonly WorkQueue $queue, private readonly Encoders $encoders)
    {
    }

    /** @return list<Work> which are this process's from now on */
    public function taken(Work $work, Run $first, Kind $kind, Meter $meter): array
    {
        $plan = self::planOf($first);
        if (! config('crate.shares') || $plan === null || ! $first->cut instanceof Cut) {
            return [];
        }
        // Those that follow at once: nobody's place in the queue is passed over.
        $plans = [$plan];
        $works = [];
        foreach ($this->queue->following($work, Sharing::MOST - 1) as $next) {
            $run = Run::query()->find($next->subject);
            $plan = $run === null || ! $meter->mayTake($next) || ! self::isOfTheSame($run, $first) ? null : self::planOf($run);
            if ($plan === null) {
                break;
            }
            [$plans[], $works[]] = [$plan, $next];
        }
        if ($works === []) {
            return [];
        }
        // A machine that has nothing to do is quicker with one of them by itself.
        $left = Presence::idleElsewhere(Run::WORK, $kind->atOnce());
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

    private static function planOf(Run $run): ?Plan
    {
        try {
            $plan = $run->frozen === null ? null : Freezer::thaw($run->frozen);
        } catch (Throwable) {
            // Whoever makes it says so.
            return null;
        }

        return $plan instanceof Plan ? $plan : null;
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
