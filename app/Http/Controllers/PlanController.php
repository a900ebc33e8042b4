<?php

namespace App\Http\Controllers;

use App\Desk\CutDesk;
use App\Http\Api\Operation;
use App\Http\Payload;
use App\Models\Cut;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Request;
use OuterCrate\Desk\Column;
use OuterCrate\Desk\Recap;
use OuterCrate\Units\FrameRange;

/** Plans outputs for a cut without saving anything. */
class PlanController
{
    #[Operation('plan-list', request: 'plan-request')]
    public function __invoke(Request $request, CutDesk $desk): JsonResponse
    {
        $payload = Payload::of($request, 'plan-request');
        $cut = Cut::query()->findOrFail($payload['cut']);
        $reading = $cut->reading();
        $asked = $payload['range'] ?? null;
        $range = $asked === null ? $cut->range($reading) : new FrameRange($asked['first'], max($asked['first'], $asked['last']));
        $columns = $desk->columns($cut, $reading, $payload['outputs'], $range);

        return response()->json([
            'outputs' => array_map(fn (Column $column): array => $column->toArray(), $columns),
            'recap' => Recap::of($columns),
            'stopped' => array_filter($columns, fn (Column $column): bool => $column->isStopped()) !== [],
        ]);
    }
}
