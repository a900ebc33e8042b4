<?php

namespace App\Http\Controllers;

use App\Engine\Engine;
use Illuminate\Http\JsonResponse;
use OuterCrate\Planning\Choices;

class ChoicesController
{
    /** What the cells' editors offer. */
    public function __invoke(Choices $choices, Engine $engine): JsonResponse
    {
        return response()->json(['cells' => $choices->all(), 'parts' => $choices->parts($engine->hardware() !== []), 'rateModes' => $choices->rateModes(), 'qualities' => $choices->qualities()]);
    }
}
