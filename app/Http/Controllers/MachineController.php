<?php

namespace App\Http\Controllers;

use App\Engine\Engine;
use App\Http\Payload;
use App\Media\OutputFile;
use App\Models\Setting;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Request;
use OuterCrate\Units\Bitrate;
use OuterCrate\Units\ByteCount;

class MachineController
{
    public function __construct(private readonly Engine $engine)
    {
    }

    public function show(): JsonResponse
    {
        $free = OutputFile::freeBytes(config('crate.deliveries'));
        $speed = Setting::lineSpeed();

        return response()->json([
            'freeBytes' => $free,
            'freeLabel' => $free === null ? null : (string) new ByteCount($free),
            'engine' => $this->engine->version(),
            'deliveries' => config('crate.deliveries'),
            'lineSpeed' => $speed,
            'lineSpeedLabel' => (string) new Bitrate($speed),
        ]);
    }

    public function update(Request $request): JsonResponse
    {
        Setting::query()->updateOrCreate(['key' => 'line_speed'], ['value' => Payload::of($request, 'machine-request')['lineSpeed']]);

        return $this->show();
    }
}
