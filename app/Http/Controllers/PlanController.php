<?php

namespace App\Http\Controllers;

use App\Http\Payload;
use App\Models\Cut;
use App\Planning\Planning;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Request;
use OuterCrate\Planning\Plan;
use OuterCrate\Units\FrameRange;

/** Plans outputs for a cut without saving anything. */
class PlanController
{
    public function __invoke(Request $request, Planning $planning): JsonResponse
    {
        $payload = Payload::of($request, 'plan-request');
        $cut = Cut::query()->findOrFail($payload['cut']);
        $reading = $cut->reading();
        $range = isset($payload['range']) ? new FrameRange($payload['range']['first'], max($payload['range']['first'], $payload['range']['last'])) : $cut->range($reading);

        return response()->json([
            'outputs' => array_map(fn (Plan $plan): array => $planning->describe($plan, $reading), $planning->plans($reading, $payload['outputs'], null, $range)),
        ]);
    }
}
