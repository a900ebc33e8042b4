<?php

namespace App\Retention;

use App\Models\Run;
use App\Models\WorkState;
use Illuminate\Database\Query\JoinClause;
use Illuminate\Support\Facades\DB;

/** Logs of finished runs. Their slips are kept. */
final class RunLogs implements Retained
{
    public function name(): string
    {
        return 'logs';
    }

    public function items(): array
    {
        $logs = DB::table('run_logs')
            ->join('works', fn (JoinClause $work): JoinClause => $work
                ->on('works.subject', '=', 'run_logs.run_id')->where('works.kind', Run::WORK))
            ->whereNotIn('works.state', WorkState::underWay())
            ->groupBy('run_id')
            ->selectRaw('run_id as id, max(at) as at, sum(length(text)) as bytes');

        return Ages::of($logs->get());
    }

    public function delete(array $ids): void
    {
        DB::table('run_logs')->whereIn('run_id', $ids)->delete();
    }
}
