<?php

namespace App\Models;

use Illuminate\Database\Query\Builder;
use Illuminate\Support\Collection;
use Illuminate\Support\Facades\DB;

/** What is under way in the queue, in its order and no more of each than its timetable needs: it is asked for twice a second. */
final class QueuedRuns
{
    /**
     * @param  int|null  $cut  of one; null for all
     * @return Collection<int, object{id: int, state: string, paused: bool|int, percent: int, seconds_left: ?int, started_at: ?string,
     *     expected_seconds: float|string|null}>
     */
    public static function of(?int $cut = null): Collection
    {
        return DB::table('works')
            ->where('kind', Run::WORK)
            ->whereIn('state', WorkState::underWay())
            ->when($cut !== null, fn (Builder $query): Builder => $query
                ->whereIn('subject', DB::table('runs')->select('id')->where('cut_id', $cut)))
            ->orderByRaw("case when state = 'waiting' then 1 else 0 end")
            ->orderBy('place')
            ->orderBy('subject')
            ->get(['subject as id', 'state', 'paused', 'percent', 'seconds_left', 'started_at', 'expected_seconds']);
    }
}
