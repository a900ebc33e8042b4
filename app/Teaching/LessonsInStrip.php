<?php

namespace App\Teaching;

use App\Models\Teaching;
use App\Work\Activity;
use App\Work\ShownInStrip;

/** Names lessons in the strip. */
final readonly class LessonsInStrip implements ShownInStrip
{
    public function activities(array $subjects): array
    {
        return Teaching::query()->whereKey($subjects)->get(['id', 'host', 'asked'])->mapWithKeys(
            fn (Teaching $one): array => [$one->id => new Activity($one->asked['hostName'], 'lesson', "/hosts/{$one->host}/teach")],
        )->all();
    }
}
