<?php

namespace App\Http\Controllers;

use App\Http\Api\Operation;
use App\Http\Payload;
use App\Resources\SettingsResource;
use App\Settings\Settings;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Request;

class SettingsController
{
    public function __construct(private readonly Settings $settings)
    {
    }

    #[Operation('settings')]
    public function show(): JsonResponse
    {
        return response()->json(SettingsResource::of($this->settings));
    }

    #[Operation('settings', request: 'settings-request')]
    public function update(Request $request): JsonResponse
    {
        $this->settings->set(Payload::of($request, 'settings-request'));

        return $this->show();
    }
}
