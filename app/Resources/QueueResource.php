<?php

namespace App\Resources;

use App\Models\QueueEnd;
use App\Models\WorkState;
use Illuminate\Support\Collection;
use OuterCrate\Units\Duration;
use OuterCrate\Units\Fraction;

/** The queue as a timetable (resources/schema/queue.json): when each run is likely to begin and to end, and all of them together. */
final class QueueResource
{
    /**
     * @param  Collection<int, object{id: int, state: string, paused: bool, percent: int, seconds_left: ?int, started_at: ?string,
     *     seconds: float}>  $runs  under way, in their order
     * @param  int  $atOnce  how many are made at once
     * @return array<string, mixed>
     */
    public static function of(Collection $runs, int $atOnce): array
    {
        // Seconds from now at which each of those that are made at once is free.
        $free = array_fill(0, max(1, $atOnce), 0.0);
        $now = time();
        $times = [];
        $waits = $paused = 0;
        $all = $done = 0.0;
        foreach ($runs as $run) {
            $all += $run->seconds;
            $done += $run->seconds * $run->percent / 100;
            if ($run->paused) {
                $paused++;
                $times[] = ['run' => $run->id, 'begins' => null, 'ends' => null];

                continue;
            }
            $isGoing = $run->state !== WorkState::Waiting->value;
            $waits += $isGoing ? 0 : 1;
            $next = (int) array_search(min($free), $free, true);
            $begins = $free[$next];
            // One that is being made says itself how long it takes, or takes what is left of what was expected.
            $free[$next] += $isGoing ? $run->seconds_left ?? $run->seconds * (100 - $run->percent) / 100 : $run->seconds;
            $times[] = [
                'run' => $run->id,
                'begins' => self::clock($isGoing && $run->started_at !== null ? (int) strtotime($run->started_at) : $now + (int) $begins),
                'ends' => self::clock($now + (int) ceil($free[$next])),
            ];
        }
        $left = (int) ceil(max($free));

        return [
            'times' => $times,
            'secondsLeft' => $left,
            'secondsLeftLabel' => (string) new Duration(new Fraction($left)),
            'ends' => $left === 0 ? null : self::clock($now + $left),
            'going' => $runs->count() - $waits - $paused,
            'waiting' => $waits,
            'paused' => $paused,
            'percent' => $all > 0 ? (int) floor(100 * $done / $all) : 0,
            'ended' => self::ended(),
        ];
    }

    private static function clock(int $time): string
    {
        return gmdate('Y-m-d\TH:i:s\Z', $time);
    }

    /** @return array<string, mixed>|null the last time that nothing was left to make */
    private static function ended(): ?array
    {
        $end = QueueEnd::query()->latest('id')->first();
        if ($end === null) {
            return null;
        }
        $made = count($end->told['made']);
        $failed = count($end->told['failed']);
        $words = array_filter([
            $made === 0 ? null : ($made === 1 ? basename($end->told['made'][0]['file']).' is made.' : "{$made} files are made."),
            $failed === 0 ? null : ($failed === 1 ? 'One run failed.' : "{$failed} runs failed."),
        ]);

        return [
            'id' => $end->id,
            'endedAt' => $end->ended_at->toIso8601ZuluString(),
            'made' => $made,
            'failed' => $failed,
            'words' => implode(' ', $words) ?: 'The queue is empty.',
            'sound' => (string) config('crate.end.sound'),
        ];
    }
}
