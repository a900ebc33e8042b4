<?php

namespace StandIn\Http;

use Illuminate\Http\JsonResponse;
use Illuminate\Http\Request;
use StandIn\Faults;

/** Switches faults on and off. */
class FaultController
{
    public function __construct(private readonly Faults $faults)
    {
    }

    public function index(): JsonResponse
    {
        return response()->json(['faults' => (object) $this->faults->on()]);
    }

    public function update(Request $request, string $name): JsonResponse
    {
        $usual = Faults::ALL[$name][1] ?? throw new Refusal(404, 'not-found', 'There is no such fault.');
        $this->faults->set($name, array_intersect_key($request->json()->all(), $usual) + $usual);

        return $this->index();
    }

    public function destroy(string $name): JsonResponse
    {
        $this->faults->set($name, null);

        return $this->index();
    }
}
