<?php

namespace App\Http\Controllers;

use App\Desk\CutDesk;
use App\Http\Api\Operation;
use App\Http\RequestRefused;
use App\Models\Cut;
use Illuminate\Http\JsonResponse;
use OuterCrate\Planning\Cells\Explains;
use OuterCrate\Planning\Sheet\Cells;

/** A row of the sheet explained, with the numbers of each column of this cut. */
class HelpController
{
    #[Operation('row-help')]
    public function __invoke(Cut $cut, string $cell, Cells $cells, CutDesk $desk): JsonResponse
    {
        $row = $cells->all()[$cell] ?? null;
        if (! $row instanceof Explains) {
            throw RequestRefused::notThere('There is no such row, or nothing to say about it.', 'Open it from a row of the sheet.');
        }
        $help = null;
        $here = [];
        foreach ($desk->sheet($cut, $cut->reading()) as $i => $column) {
            if ($column->plan->hasVideo() || ! $row->isOfPicture()) {
                $help = $row->help($column->plan, $column->size->bytes);
                $here[] = ['output' => $i + 1, 'text' => $help->here];
            }
        }

        return response()->json([
            'label' => $row->label(),
            'what' => $help->what ?? 'Add an output, and this says what the row does there.',
            'wrong' => $help->wrong ?? '',
            'here' => $here,
        ]);
    }
}
