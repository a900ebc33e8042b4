<?php

namespace App\Resources;

use App\Models\QueueEnd;
use App\Models\Run;
use App\Models\WorkState;
use Illuminate\Support\Collection;
use OuterCrate\Units\Duration;
use OuterCrate\Units\Fraction;

/** The queue as a timetable (resources/schema/queue.json): when each run is likely to begin and to end, and all of them together. */
final class QueueResource
{
    /**
     * @param  Collection<int, Run>  $runs  under way, in their order
     * @param  int  $atOnce  how many are made at once
     * @return array<string, mixed>
     */
    public static function of(Collection $runs, int $atOnce): array
    {
        // Seconds from now at which each of those that are made at once is free.
        $free = array_fill(0, max(1, $atOnce), 0.0);
        $times = [];
        foreach ($runs as $run) {
            if ($run->work->paused) {
                $times[] = ['run' => $run->id, 'begins' => null, 'ends' => null];

                continue;
            }
            $isGoing = $run->work->state !== WorkState::Waiting;
            sort($free);
            $begins = array_shift($free);
            $takes = $isGoing ? self::left($run) : $run->card['seconds'];
            $free[] = $begins + $takes;
            $times[] = [
                'run' => $run->id,
                'begins' => ($isGoing ? $run->work->started_at : now()->addSeconds((int) $begins))?->toIso8601ZuluString(),
                'ends' => now()->addSeconds((int) ceil($begins + $takes))->toIso8601ZuluString(),
            ];
        }
        $left = (int) ceil(max($free));
        $waits = $runs->filter(fn (Run $run): bool => $run->work->state === WorkState::Waiting && ! $run->work->paused)->count();

        return [
            'times' => $times,
            'secondsLeft' => $left,
            'secondsLeftLabel' => (string) new Duration(new Fraction($left)),
            'ends' => $left === 0 ? null : now()->addSeconds($left)->toIso8601ZuluString(),
            'waiting' => $waits,
            'paused' => $runs->filter(fn (Run $run): bool => $run->work->paused)->count(),
            'percent' => self::percent($runs),
            'ended' => self::ended(),
        ];
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

    /** Seconds that one that is being made still takes: as it says itself, or what is left of what was expected. */
    private static function left(Run $run): float
    {
        return $run->work->seconds_left ?? $run->card['seconds'] * (100 - $run->work->percent) / 100;
    }

    /**
     * Of all that is under way, by the time that each takes.
     *
     * @param  Collection<int, Run>  $runs
     */
    private static function percent(Collection $runs): int
    {
        $all = $runs->sum(fn (Run $run): float => $run->card['seconds']);
        $done = $runs->sum(fn (Run $run): float => $run->card['seconds'] * $run->work->percent / 100);

        return $all > 0 ? (int) floor(100 * $done / $all) : 0;
    }
}
