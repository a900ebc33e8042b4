<?php

namespace App\Retention;

use App\Models\TransitTest;
use App\Models\Work;
use App\Models\WorkState;
use Illuminate\Database\Query\JoinClause;
use Illuminate\Support\Facades\DB;

/** Finished transit tests and their results. Presets saved from them are kept. */
final class FinishedTests implements Retained
{
    public function name(): string
    {
        return 'tests';
    }

    public function items(): array
    {
        $tests = DB::table('transit_tests')
            ->join('works', fn (JoinClause $work): JoinClause => $work
                ->on('works.subject', '=', 'transit_tests.id')->where('works.kind', TransitTest::WORK))
            ->whereNotIn('works.state', WorkState::underWay())
            ->selectRaw('transit_tests.id as id, transit_tests.created_at as at, '
                .'length(cast(asked as text)) + coalesce(length(cast(result as text)), 0) as bytes');

        return Ages::of($tests->get());
    }

    public function delete(array $ids): void
    {
        DB::transaction(function () use ($ids): void {
            TransitTest::query()->whereKey($ids)->delete();
            Work::query()->where('kind', TransitTest::WORK)->whereIn('subject', $ids)->delete();
        });
    }
}
