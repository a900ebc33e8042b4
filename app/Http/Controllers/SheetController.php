<?php

namespace App\Http\Controllers;

use App\Analysis\CutAnalyses;
use App\Http\InvalidPayload;
use App\Http\Payload;
use App\Http\Resources\CutResource;
use App\Http\Resources\RangeResource;
use App\Models\Cut;
use App\Planning\Planning;
use App\Planning\Samples;
use App\Planning\Surroundings;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Request;
use OuterCrate\Analysis\Notice;
use OuterCrate\Analysis\Notices;
use OuterCrate\Checks\Severity;
use OuterCrate\Planning\Plan;
use OuterCrate\Reading\Reading;

class SheetController
{
    public function __construct(private readonly Planning $planning, private readonly Surroundings $surroundings, private readonly Samples $samples)
    {
    }

    public function show(Cut $cut, CutAnalyses $analyses): JsonResponse
    {
        $analyses->want($cut);

        return $this->sheet($cut, $cut->reading());
    }

    /** Saves range and columns and answers with their plans. Nothing is saved that cannot be planned. */
    public function update(Request $request, Cut $cut): JsonResponse
    {
        $payload = Payload::of($request, 'sheet-request');
        $reading = $cut->reading();
        $this->refuseImpossible($payload['range'] ?? null, '/range', $reading);
        foreach ($payload['outputs'] as $i => $output) {
            $this->refuseImpossible($output['range'] ?? null, "/outputs/{$i}/range", $reading);
        }
        $cut->fill([
            'range' => $payload['range'] ?? null,
            'outputs' => array_map(fn (array $output): array => [
                'key' => $output['key'],
                'preset' => $output['preset'],
                'host' => $output['host'],
                'edits' => array_filter($output['edits'], fn (mixed $rule): bool => $rule !== null),
                'range' => $output['range'] ?? null,
            ], $payload['outputs']),
        ]);
        $response = $this->sheet($cut, $reading);
        $cut->save();

        return $response;
    }

    /** @param  array{first: int, last: int}|null  $range */
    private function refuseImpossible(?array $range, string $path, Reading $reading): void
    {
        $last = $reading->length() - 1;
        if ($range !== null && ($range['first'] > $range['last'] || $range['last'] > $last)) {
            throw new InvalidPayload([['path' => $path, 'text' => "does not lie in the cut: frames run from 0 to {$last}, the first before the last"]]);
        }
    }

    private function sheet(Cut $cut, Reading $reading): JsonResponse
    {
        $range = $cut->range($reading);
        $plans = $this->planning->plans($this->surroundings->of($cut, $reading), $cut->outputs, $range);
        $sampling = $this->samples->want($cut, $reading, $plans);
        $notices = Notices::for($cut->analysis->result ?? [], $range);

        return response()->json([
            'cut' => CutResource::of($cut),
            'range' => RangeResource::of($range, $reading) + ['set' => $cut->range !== null],
            'noticed' => array_map(fn (Notice $notice): array => $notice->toArray(), $notices),
            'outputs' => array_map(fn (array $output, Plan $plan, bool $sampling): array => [
                'key' => $output['key'],
                'range' => RangeResource::of($plan->range, $reading) + ['own' => $plan->spec->ownRange],
                'plan' => $this->planning->describe($plan, $reading, $sampling),
            ], $cut->outputs, $plans, $sampling),
            'totals' => $this->planning->totals($plans, $reading),
            'recap' => $this->planning->recap($plans, $reading, array_map(fn (Notice $notice): Severity => $notice->severity, $notices)),
            'stopped' => array_reduce($plans, fn (bool $stopped, Plan $plan): bool => $stopped || $plan->isStopped(), false),
        ]);
    }
}
