<?php

namespace App\Retention;

use Illuminate\Support\Carbon;
use Illuminate\Support\Collection;
use OuterCrate\Store\Aged;

/** Rows of the database with their age. */
final class Ages
{
    /**
     * @param  Collection<int, object>  $rows  with `id`, `at` and `bytes`
     * @return list<Aged>
     */
    public static function of(Collection $rows): array
    {
        $now = now()->getTimestamp();

        return array_values($rows->map(fn (object $row): Aged => new Aged(
            (string) $row->id,
            max(0, $now - Carbon::parse($row->at ?? 'now')->getTimestamp()),
            (int) $row->bytes,
        ))->all());
    }
}
