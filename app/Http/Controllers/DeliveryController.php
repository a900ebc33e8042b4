<?php

namespace App\Http\Controllers;

use App\History\Deliveries;
use App\History\DeliveryFilter;
use App\Http\Api\Operation;
use App\Http\Days;
use App\Models\Delivery;
use App\Resources\DeliveryResource;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Request;

/** The list of all files made so far. */
class DeliveryController
{
    #[Operation('delivery-list', query: ['cut', 'search', 'host', 'preset', 'from', 'until', 'before'])]
    public function index(Request $request, Deliveries $deliveries): JsonResponse
    {
        $text = fn (string $name): ?string => $request->has($name) ? (string) $request->query($name) : null;
        $page = $deliveries->page(new DeliveryFilter(
            text: (string) $text('search'),
            cut: $request->has('cut') ? $request->integer('cut') : null,
            preset: $text('preset'),
            host: $text('host'),
            from: Days::start($request, 'from'),
            until: Days::end($request, 'until'),
        ), $request->has('before') ? $request->integer('before') : null);

        return response()->json([
            'deliveries' => $page->map(DeliveryResource::of(...)),
            'before' => $page->count() === Deliveries::PAGE ? $page->last()?->id : null,
        ]);
    }

    /** Presets and hosts to filter by. */
    #[Operation('delivery-choices')]
    public function choices(Deliveries $deliveries): JsonResponse
    {
        $listed = fn (array $names): array => array_map(
            fn (string $slug, string $name): array => ['slug' => $slug, 'name' => $name],
            array_map(strval(...), array_keys($names)),
            $names,
        );

        return response()->json([
            'isAnyMade' => Delivery::query()->exists(),
            'presets' => $listed($deliveries->names('preset')),
            'hosts' => $listed($deliveries->names('host')),
        ]);
    }
}
