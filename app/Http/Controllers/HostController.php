<?php

namespace App\Http\Controllers;

use App\Http\Resources\HostResource;
use App\Library\Hosts;
use Illuminate\Http\JsonResponse;

class HostController
{
    public function index(Hosts $hosts): JsonResponse
    {
        return response()->json(['hosts' => array_values(array_map(HostResource::of(...), $hosts->all()))]);
    }
}
