<?php

namespace App\Http\Controllers;

use App\Library\Presets;
use Illuminate\Http\JsonResponse;
use OuterCrate\Presets\Preset;

class PresetController
{
    public function index(Presets $presets): JsonResponse
    {
        return response()->json(['presets' => array_values(array_map(fn (Preset $preset): array => [
            'slug' => $preset->slug,
            'name' => $preset->name,
            'role' => $preset->role->value,
            'host' => $preset->host,
            'about' => $preset->about,
            'rules' => $preset->rules->rules,
        ], $presets->all()))]);
    }
}
