<?php

namespace App\Http\Controllers;

use App\Http\Api\Operation;
use App\Http\PageCursor;
use App\Http\Payload;
use App\Resources\StoreResource;
use App\Store\Store;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Request;

class StoreController
{
    public function __construct(private readonly Store $store)
    {
    }

    #[Operation('store', query: ['cursor'])]
    public function show(Request $request): JsonResponse
    {
        return response()->json(PageCursor::checked(fn (): array => StoreResource::of($this->store, $request->query('cursor'))));
    }

    #[Operation('store-derived')]
    public function derived(): JsonResponse
    {
        return response()->json(StoreResource::derived($this->store));
    }

    /** Clears files away; they can be put back until that is emptied. */
    #[Operation('store', request: 'store-clear-request')]
    public function clear(Request $request): JsonResponse
    {
        $this->store->clear(Payload::of($request, 'store-clear-request')['runs']);

        return $this->firstPage();
    }

    #[Operation('store')]
    public function takeBack(): JsonResponse
    {
        $this->store->takeBack();

        return $this->firstPage();
    }

    #[Operation('store')]
    public function empty(): JsonResponse
    {
        $this->store->empty();

        return $this->firstPage();
    }

    #[Operation('store-derived')]
    public function clearDerived(string $what): JsonResponse
    {
        $this->store->clearDerived($what);

        return $this->derived();
    }

    private function firstPage(): JsonResponse
    {
        return response()->json(StoreResource::of($this->store, null));
    }
}
