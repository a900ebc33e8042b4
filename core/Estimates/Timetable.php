<?php

declare(strict_types=1);

namespace OuterCrate\Estimates;

/** When each of several runs is likely to begin and to end, made one after another, so many at once. All in seconds from now. */
final readonly class Timetable
{
    /**
     * @param  list<array{begins: float, ends: float}|null>  $times  of each run, in its order; null for one that is paused
     * @param  float  $left  until all are done
     * @param  float  $share  of all that is done, 0 to 1, by the time that each takes
     */
    private function __construct(public array $times, public float $left, public float $share)
    {
    }

    /**
     * @param  iterable<QueuedRun>  $runs  in their order
     * @param  int  $atOnce  how many are made at once, 1 or more
     */
    public static function of(iterable $runs, int $atOnce): self
    {
        // When each of those that are made at once is free.
        $free = array_fill(0, max(1, $atOnce), 0.0);
        $times = [];
        $all = $done = 0.0;
        foreach ($runs as $run) {
            $all += $run->seconds;
            $done += $run->seconds * $run->share;
            if ($run->isPaused) {
                $times[] = null;

                continue;
            }
            $next = (int) array_search(min($free), $free, true);
            $begins = $free[$next];
            $free[$next] += $run->left();
            $times[] = ['begins' => $begins, 'ends' => $free[$next]];
        }

        return new self($times, max($free), $all > 0 ? $done / $all : 0.0);
    }
}
