<?php

use OuterCrate\Desk\SheetMerge;
use OuterCrate\Planning\Sheet\Cells;

/** A sheet in short: columns by key, each its preset or its edits. */
function sheet(array $columns, ?array $range = null): array
{
    $outputs = [];
    foreach ($columns as $key => $column) {
        $outputs[] = ['key' => (string) $key, 'preset' => is_string($column) ? $column : 'p', 'host' => null, 'range' => null]
            + ['edits' => is_array($column) ? $column : []];
    }

    return ['range' => $range, 'outputs' => $outputs];
}

it('keeps what either window changed', function (array $base, array $theirs, array $mine, array $expected, int $told) {
    $merge = new SheetMerge(new Cells);
    expect($merge->merge($base, $theirs, $mine))->toEqual($expected)->and(count($merge->told))->toBe($told);
})->with([
    'nothing' => [sheet(['a' => 'p']), sheet(['a' => 'p']), sheet(['a' => 'p']), sheet(['a' => 'p']), 0],
    'two cells' => [
        sheet(['a' => []]),
        sheet(['a' => ['audio' => 'none']]),
        sheet(['a' => ['frameRate' => 'follow']]),
        sheet(['a' => ['audio' => 'none', 'frameRate' => 'follow']]),
        0,
    ],
    'the same cell alike' => [
        sheet(['a' => []]),
        sheet(['a' => ['audio' => 'none']]),
        sheet(['a' => ['audio' => 'none']]),
        sheet(['a' => ['audio' => 'none']]),
        0,
    ],
    'the same cell otherwise' => [
        sheet(['a' => []]),
        sheet(['a' => ['audio' => 'none']]),
        sheet(['a' => ['audio' => 'host']]),
        sheet(['a' => ['audio' => 'host']]),
        1,
    ],
    'put back here' => [
        sheet(['a' => ['audio' => 'none']]), sheet(['a' => ['audio' => 'none']]), sheet(['a' => []]), sheet(['a' => []]), 0,
    ],
    'a column each' => [
        sheet(['a' => 'p']),
        sheet(['a' => 'p', 'b' => 'p']),
        sheet(['a' => 'p', 'c' => 'p']),
        sheet(['a' => 'p', 'c' => 'p', 'b' => 'p']),
        0,
    ],
    'taken away there' => [sheet(['a' => 'p', 'b' => 'p']), sheet(['a' => 'p']), sheet(['a' => 'p', 'b' => 'p']), sheet(['a' => 'p']), 0],
    'taken away here' => [sheet(['a' => 'p', 'b' => 'p']), sheet(['a' => 'p', 'b' => 'p']), sheet(['a' => 'p']), sheet(['a' => 'p']), 0],
    'taken away there, changed here' => [
        sheet(['a' => 'p', 'b' => 'p']), sheet(['a' => 'p']), sheet(['a' => 'p', 'b' => 'q']), sheet(['a' => 'p', 'b' => 'q']), 0,
    ],
    'the range' => [
        sheet(['a' => 'p']), sheet(['a' => 'p'], ['first' => 1, 'last' => 9]), sheet(['a' => 'q']),
        sheet(['a' => 'q'], ['first' => 1, 'last' => 9]), 0,
    ],
]);
