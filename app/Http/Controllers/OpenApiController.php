<?php

namespace App\Http\Controllers;

use App\Http\Api\OpenApi;
use Illuminate\Http\JsonResponse;

class OpenApiController
{
    public function __invoke(OpenApi $api): JsonResponse
    {
        return response()->json($api->document());
    }
}
