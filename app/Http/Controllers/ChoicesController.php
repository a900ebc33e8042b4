<?php

namespace App\Http\Controllers;

use Illuminate\Http\JsonResponse;
use OuterCrate\Planning\Choices;

class ChoicesController
{
    /** What the cells' editors offer. */
    public function __invoke(Choices $choices): JsonResponse
    {
        return response()->json(['cells' => $choices->all(), 'rateModes' => $choices->rateModes(), 'qualities' => $choices->qualities()]);
    }
}
