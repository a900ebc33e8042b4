<?php

namespace App\Models;

use Illuminate\Support\Collection;
use Illuminate\Support\Facades\DB;

/** What is under way in the queue, in its order and no more of each than its timetable needs: it is asked for twice a second. */
final class QueuedRuns
{
    /**
     * @param  int|null  $cut  of one; null for all
     * @return Collection<int, object{id: int, state: string, paused: bool, percent: int, seconds_left: ?int, started_at: ?string,
     *     seconds: float}>
     */
    public static function of(?int $cut = null): Collection
    {
        return DB::table('works')
            ->join('runs', 'runs.id', '=', 'works.subject')
            ->where('works.kind', Run::WORK)
            ->whereIn('works.state', WorkState::underWay())
            ->when($cut !== null, fn ($query) => $query->where('runs.cut_id', $cut))
            ->orderByRaw("case when works.state = 'waiting' then 1 else 0 end")
            ->orderBy('works.place')
            ->orderBy('runs.id')
            ->get([
                'runs.id', 'works.state', 'works.paused', 'works.percent', 'works.seconds_left', 'works.started_at',
                'runs.card->seconds as seconds',
            ]);
    }
}
