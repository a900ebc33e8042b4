<?php

namespace App\Http\Controllers;

use App\Library\Presets;
use Illuminate\Http\JsonResponse;
use OuterCrate\Presets\Preset;
use OuterCrate\Presets\Role;

class PresetController
{
    public function index(Presets $presets): JsonResponse
    {
        // As they are worked through: masters first, then uploads.
        $order = array_flip(array_column(Role::cases(), 'value'));
        $all = $presets->all();
        uasort($all, fn (Preset $a, Preset $b): int => [$order[$a->role->value], $a->name] <=> [$order[$b->role->value], $b->name]);

        return response()->json(['presets' => array_values(array_map(fn (Preset $preset): array => [
            'slug' => $preset->slug,
            'name' => $preset->name,
            'role' => $preset->role->value,
            'host' => $preset->host,
            'about' => $preset->about,
            'rules' => $preset->rules->rules,
        ], $all)), 'broken' => $presets->brokenInWords()]);
    }
}
