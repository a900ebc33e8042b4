<?php

namespace App\Http\Controllers;

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

    public function show(): JsonResponse
    {
        return response()->json(StoreResource::of($this->store));
    }

    /** Clears files away; they can be put back until that is emptied. */
    public function clear(Request $request): JsonResponse
    {
        $this->store->clear(Payload::of($request, 'store-clear-request')['runs']);

        return $this->show();
    }

    public function takeBack(): JsonResponse
    {
        $this->store->takeBack();

        return $this->show();
    }

    public function empty(): JsonResponse
    {
        $this->store->empty();

        return $this->show();
    }

    public function clearDerived(string $what): JsonResponse
    {
        $this->store->clearDerived($what);

        return $this->show();
    }
}
