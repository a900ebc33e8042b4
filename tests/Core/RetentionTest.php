<?php

use OuterCrate\Store\Aged;
use OuterCrate\Store\RetentionLimit;

it('deletes what is too old, then the oldest until the rest fits', function (?int $days, ?float $gigabytes, array $deleted) {
    $day = 86_400;
    $kept = [
        new Aged('old', 90 * $day, 100_000_000), new Aged('new', 0, 300_000_000), new Aged('exactly ten days', 10 * $day, 200_000_000),
        new Aged('a second more', 10 * $day + 1, 400_000_000),
    ];
    $ids = array_map(fn (Aged $one): string => $one->id, (new RetentionLimit($days, $gigabytes))->exceeding($kept));
    expect($ids)->toBe($deleted);
})->with([
    'no limit' => [null, null, []],
    'days' => [10, null, ['a second more', 'old']],
    'exactly as much as fits' => [null, 1.0, []],
    'a little less' => [null, 0.999, ['old']],
    'less than the newest' => [null, 0.299, ['new', 'exactly ten days', 'a second more', 'old']],
    'the stricter of both' => [30, 0.5, ['a second more', 'old']],
]);
