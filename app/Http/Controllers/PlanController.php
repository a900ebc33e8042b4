<?php

namespace App\Http\Controllers;

use App\Http\Payload;
use App\Models\Cut;
use App\Planning\Planning;
use App\Planning\Surroundings;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Request;
use OuterCrate\Planning\Plan;
use OuterCrate\Units\FrameRange;

/** Plans outputs for a cut without saving anything. */
class PlanController
{
    public function __invoke(Request $request, Planning $planning, Surroundings $surroundings): JsonResponse
    {
        $payload = Payload::of($request, 'plan-request');
        $cut = Cut::query()->findOrFail($payload['cut']);
        $reading = $cut->reading();
        $range = isset($payload['range']) ? new FrameRange($payload['range']['first'], max($payload['range']['first'], $payload['range']['last'])) : $cut->range($reading);

        $plans = $planning->plans($surroundings->of($cut, $reading), $payload['outputs'], $range);

        return response()->json([
            'outputs' => array_map(fn (Plan $plan): array => $planning->describe($plan, $reading), $plans),
            'recap' => $planning->recap($plans, $reading),
            'stopped' => array_reduce($plans, fn (bool $stopped, Plan $plan): bool => $stopped || $plan->isStopped(), false),
        ]);
    }
}
