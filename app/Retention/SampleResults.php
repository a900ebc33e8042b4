<?php

namespace App\Retention;

use App\Models\Sample;
use App\Models\Work;
use Illuminate\Support\Facades\DB;

/** Results of samples. Opening a sheet requests missing ones. */
final class SampleResults implements Retained
{
    public function name(): string
    {
        return 'samples';
    }

    public function items(): array
    {
        return Ages::of(DB::table('samples')->whereNotNull('result')->selectRaw(
            'id, created_at as at, length(cast(plan as text)) + length(cast(result as text)) as bytes',
        )->get());
    }

    public function delete(array $ids): void
    {
        DB::transaction(function () use ($ids): void {
            Sample::query()->whereKey($ids)->delete();
            Work::query()->where('kind', Sample::WORK)->whereIn('subject', $ids)->delete();
        });
    }
}
