<?php

namespace App\Analysis;

use App\Models\CutAnalysis;
use App\Work\Activity;
use App\Work\ShownInStrip;

/** Names analyses in the strip. */
final readonly class AnalysesInStrip implements ShownInStrip
{
    public function activities(array $subjects): array
    {
        return CutAnalysis::query()->with('cut:id,name')->whereKey($subjects)->get(['id', 'cut_id'])->mapWithKeys(
            fn (CutAnalysis $one): array => [$one->id => new Activity($one->cut->name, 'analysis', "/cuts/{$one->cut_id}")],
        )->all();
    }
}
