<?php

namespace App\Http\Controllers;

use App\Http\Payload;
use App\Http\Resources\CutResource;
use App\Models\Cut;
use App\Planning\Planning;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Request;

class SheetController
{
    public function __construct(private readonly Planning $planning)
    {
    }

    public function show(Cut $cut): JsonResponse
    {
        return $this->sheet($cut, $cut->outputs);
    }

    /** Saves the columns and answers with their plans. Nothing is saved that cannot be planned. */
    public function update(Request $request, Cut $cut): JsonResponse
    {
        $outputs = array_map(fn (array $output): array => [
            'key' => $output['key'],
            'preset' => $output['preset'],
            'host' => $output['host'],
            'edits' => array_filter($output['edits'], fn (mixed $rule): bool => $rule !== null),
        ], Payload::of($request, 'sheet-request')['outputs']);
        $response = $this->sheet($cut, $outputs);
        $cut->update(['outputs' => $outputs]);

        return $response;
    }

    /** @param  list<array<string, mixed>>  $outputs */
    private function sheet(Cut $cut, array $outputs): JsonResponse
    {
        $reading = $cut->reading();
        $plans = $this->planning->plans($reading, $outputs);

        return response()->json([
            'cut' => CutResource::of($cut),
            'changed' => $cut->hasChanged(),
            'outputs' => array_map(fn (array $output, int $i): array => [
                'key' => $output['key'],
                'plan' => $this->planning->describe($plans[$i], $reading),
            ], $outputs, array_keys($outputs)),
            'recap' => $this->planning->recap($plans, $reading),
            'stopped' => array_reduce($plans, fn (bool $stopped, $plan): bool => $stopped || $plan->isStopped(), false),
        ]);
    }
}
