<?php

namespace App\Resources;

use App\Configuration\QueueEndSettings;
use App\Configuration\WorkSettings;
use App\Models\WorkState;
use Illuminate\Support\Collection;
use Illuminate\Support\Facades\DB;
use OuterCrate\Estimates\QueuedRun;
use OuterCrate\Estimates\Timetable;
use OuterCrate\Units\Duration;
use OuterCrate\Units\Fraction;

/**
 * The queue as a timetable: when each run is likely to start and end (resources/schema/queue.json), and all of them together
 * (resources/schema/queue-summary.json).
 *
 * @phpstan-type QueuedRunRow object{id: int, state: string, paused: bool|int, percent: int, seconds_left: ?int, started_at: ?string,
 *     expected_seconds: float|string|null}
 */
final class QueueResource
{
    /**
     * @param  Collection<int, QueuedRunRow>  $runs  under way, in their order
     * @return list<array{run: int, begins: ?string, ends: ?string}>
     */
    public static function times(Collection $runs, Timetable $table): array
    {
        $now = time();

        return array_values($runs->map(fn (object $run, int $i): array => self::time($run, $table->times[$i], $now))->all());
    }

    /**
     * @param  Collection<int, QueuedRunRow>  $runs  under way, in their order
     * @return array<string, mixed>
     */
    public static function summary(Collection $runs, Timetable $table): array
    {
        $left = (int) ceil($table->left);
        $waits = $paused = 0;
        foreach ($runs as $run) {
            $run->paused ? $paused++ : $waits += (int) ($run->state === WorkState::Waiting->value);
        }

        return [
            'secondsLeft' => $left,
            'secondsLeftLabel' => (string) new Duration(new Fraction($left)),
            'ends' => $left === 0 ? null : Moment::at(time() + $left),
            'going' => $runs->count() - $waits - $paused,
            'waiting' => $waits,
            'paused' => $paused,
            'percent' => (int) floor(100 * $table->share),
        ];
    }

    /** @param  Collection<int, QueuedRunRow>  $runs */
    public static function table(Collection $runs): Timetable
    {
        return Timetable::of($runs->map(fn (object $run): QueuedRun => new QueuedRun(
            (float) $run->expected_seconds,
            $run->percent / 100,
            $run->seconds_left,
            (bool) $run->paused,
        )), app(WorkSettings::class)->runsAtOnce);
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
            'begins' => $time === null ? null : Moment::at($began ?? $now + (int) $time['begins']),
            'ends' => $time === null ? null : Moment::at($now + (int) ceil($time['ends'])),
        ];
    }

    /** @return array<string, mixed>|null the last time that nothing was left to make */
    public static function ended(): ?array
    {
        $end = DB::table('queue_ends')->latest('id')->first(['id', 'ended_at', 'told']);
        if ($end === null) {
            return null;
        }
        $told = json_decode($end->told, true);
        [$made, $failed] = [count($told['made']), count($told['failed'])];
        $words = array_filter([
            $made === 0 ? null : ($made === 1 ? basename($told['made'][0]['file']).' is made.' : "{$made} files are made."),
            $failed === 0 ? null : ($failed === 1 ? 'One run failed.' : "{$failed} runs failed."),
        ]);

        return [
            'id' => $end->id,
            'endedAt' => Moment::written($end->ended_at),
            'made' => $made,
            'failed' => $failed,
            'words' => implode(' ', $words) ?: 'The queue is empty.',
            'sound' => app(QueueEndSettings::class)->sound,
        ];
    }
}
