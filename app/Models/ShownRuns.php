<?php

namespace App\Models;

use Illuminate\Database\Query\Builder;
use Illuminate\Database\Query\JoinClause;
use Illuminate\Support\Collection;
use Illuminate\Support\Facades\DB;

/**
 * What strip and queue show of runs and their work, as rows of the database: they are asked for twice a second, and two models for each run
 * take several times as long.
 *
 * @phpstan-type ShownRun object{id: int, pack: string, cleared_at: ?string, output: ?string, recalled: bool|int, cut_id: ?int,
 *     cut_name: string, name: string, file: string, card: string, gone_at: ?string, state: string, frames: int, percent: int,
 *     speed: float|string|null, seconds_left: ?int, expected_seconds: float|string|null, error: ?string, stop_asked: bool|int,
 *     paused: bool|int, place: int, detail: ?string, started_at: ?string, ended_at: ?string}
 */
final class ShownRuns
{
    private const COLUMNS = [
        'runs.id', 'runs.pack', 'runs.cleared_at', 'runs.output', 'runs.recalled', 'runs.cut_id', 'runs.cut_name', 'runs.name',
        'runs.file', 'runs.card', 'runs.gone_at',
        'works.state', 'works.frames', 'works.percent', 'works.speed', 'works.seconds_left', 'works.expected_seconds', 'works.error',
        'works.stop_asked', 'works.paused', 'works.place', 'works.detail', 'works.started_at', 'works.ended_at',
    ];

    /**
     * @param  list<int>  $ids
     * @return Collection<int, ShownRun> in the order of their numbers given
     */
    public static function these(array $ids): Collection
    {
        $places = array_flip($ids);

        return self::query()->whereIn('runs.id', $ids)->get()->sortBy(fn (object $run): int => $places[$run->id])->values();
    }

    /** @return ShownRun */
    public static function one(int $id): object
    {
        return self::query()->where('runs.id', $id)->sole();
    }

    /**
     * Those that are done, failed or stopped, the latest first.
     *
     * @param  int|null  $cut  of one, put away or not; null for those of all that were not put away
     * @return Collection<int, ShownRun>
     */
    public static function over(?int $cut, int $latest): Collection
    {
        return self::query()
            ->whereNotIn('works.state', WorkState::underWay())
            ->when($cut !== null, fn (Builder $query): Builder => $query->where('runs.cut_id', $cut))
            ->when($cut === null, fn (Builder $query): Builder => $query->whereNull('runs.cleared_at'))
            ->orderByDesc('runs.id')->limit($latest)->get();
    }

    /**
     * @param  string  $since  as times are written of work
     * @return Collection<int, ShownRun>
     */
    public static function changed(string $since, int $most): Collection
    {
        $works = DB::table('works')->select('subject')->where('kind', Run::WORK)->where('updated_at', '>=', $since);

        return self::query()
            ->whereIn('runs.id', DB::table('runs')->select('id')->where('updated_at', '>=', $since)->union($works))
            ->limit($most)->get();
    }

    /** From the side of the runs: so SQLite, which keeps no account of how many there are, ends with as many as were asked for. */
    private static function query(): Builder
    {
        return DB::table('runs')->select(self::COLUMNS)->leftJoin('works', fn (JoinClause $work): JoinClause => $work
            ->on('works.subject', '=', 'runs.id')->where('works.kind', Run::WORK));
    }
}
