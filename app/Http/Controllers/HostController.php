<?php

namespace App\Http\Controllers;

use App\Library\Hosts;
use App\Resources\HostResource;
use Illuminate\Http\JsonResponse;

class HostController
{
    public function index(Hosts $hosts): JsonResponse
    {
        return response()->json([
            'hosts' => array_values(array_map(HostResource::of(...), $hosts->all())),
            'broken' => $hosts->brokenInWords(),
        ]);
    }
}
