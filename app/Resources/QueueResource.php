<?php

namespace App\Resources;

use App\Models\QueueEnd;
use App\Models\WorkState;
use Illuminate\Support\Collection;
use OuterCrate\Estimates\QueuedRun;
use OuterCrate\Estimates\Timetable;
use OuterCrate\Units\Duration;
use OuterCrate\Units\Fraction;

/** The queue as a timetable (resources/schema/queue.json): when each run is likely to begin and to end, and all of them together. */
final class QueueResource
{
    /**
     * @param  Collection<int, object{id: int, state: string, paused: bool, percent: int, seconds_left: ?int, started_at: ?string,
     *     seconds: float}>  $runs  under way, in their order
     * @param  int  $atOnce  how many are made at once
     * @param  int|null  $told  of how many of the first the times are told; null for all
     * @return array<string, mixed>
     */
    public static function of(Collection $runs, int $atOnce, ?int $told = null): array
    {
        $table = Timetable::of($runs->map(fn (object $run): QueuedRun => new QueuedRun(
            (float) $run->seconds,
            $run->percent / 100,
            $run->seconds_left,
            (bool) $run->paused,
        )), $atOnce);
        $now = time();
        $left = (int) ceil($table->left);
        $waits = $runs->filter(fn (object $run): bool => $run->state === WorkState::Waiting->value && ! $run->paused)->count();
        $paused = $runs->filter(fn (object $run): bool => (bool) $run->paused)->count();

        return [
            'times' => $runs->take($told ?? $runs->count())
                ->map(fn (object $run, int $i): array => self::time($run, $table->times[$i], $now)),
            'secondsLeft' => $left,
            'secondsLeftLabel' => (string) new Duration(new Fraction($left)),
            'ends' => $left === 0 ? null : self::clock($now + $left),
            'going' => $runs->count() - $waits - $paused,
            'waiting' => $waits,
            'paused' => $paused,
            'percent' => (int) floor(100 * $table->share),
            'ended' => self::ended(),
        ];
    }

    /**
     * @param  object{id: int, state: string, started_at: ?string}  $run
     * @param  array{begins: float, ends: float}|null  $time  seconds from now
     * @return array{run: int, begins: ?string, ends: ?string}
     */
    private static function time(object $run, ?array $time, int $now): array
    {
        $began = $run->state !== WorkState::Waiting->value && $run->started_at !== null ? (int) strtotime($run->started_at) : null;

        return [
            'run' => $run->id,
            'begins' => $time === null ? null : self::clock($began ?? $now + (int) $time['begins']),
            'ends' => $time === null ? null : self::clock($now + (int) ceil($time['ends'])),
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
