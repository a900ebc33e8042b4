<?php

namespace App\Http\Controllers;

use App\Http\Api\Operation;
use App\Resources\WorkersResource;
use App\Work\Kinds;
use App\Work\Presence;
use Illuminate\Http\JsonResponse;

class WorkerController
{
    #[Operation('worker-list')]
    public function __invoke(Kinds $kinds): JsonResponse
    {
        return response()->json(WorkersResource::of(Presence::all(), $kinds));
    }
}
