<?php

namespace App\Transit;

use App\Models\TransitTest;
use App\Work\Activity;
use App\Work\ShownInStrip;

/** Names transit tests in the strip. */
final readonly class TestsInStrip implements ShownInStrip
{
    public function activities(array $subjects): array
    {
        return TransitTest::query()->with('cut:id,name')->whereKey($subjects)->get(['id', 'cut_id', 'card'])->mapWithKeys(
            fn (TransitTest $one): array => [
                $one->id => new Activity($one->cut->name, "test through {$one->card['hostName']}", "/cuts/{$one->cut_id}/survives"),
            ],
        )->all();
    }
}
