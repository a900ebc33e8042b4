<?php

namespace App\Http\Controllers;

use App\Configuration\FolderSettings;
use App\Engine\Capabilities;
use App\Http\Api\Operation;
use App\Http\Payload;
use App\Media\Drive;
use App\Models\Setting;
use App\Settings\Settings;
use App\SignIn\Visitor;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Request;
use OuterCrate\Units\Bitrate;
use OuterCrate\Units\ByteCount;

class MachineController
{
    public function __construct(private readonly Capabilities $capabilities, private readonly Settings $settings)
    {
    }

    #[Operation('machine')]
    public function show(Request $request): JsonResponse
    {
        $free = Drive::freeBytes(app(FolderSettings::class)->deliveries);
        $speed = Setting::lineSpeed();

        return response()->json([
            'freeBytes' => $free,
            'freeLabel' => $free === null ? null : (string) new ByteCount($free),
            'engine' => $this->capabilities->version(),
            'version' => config('app.version'),
            'deliveries' => app(FolderSettings::class)->deliveries,
            'lineSpeed' => $speed->bitsPerSecond,
            'lineSpeedLabel' => (string) new Bitrate($speed->bitsPerSecond),
            'lineSpeedLearntFrom' => $speed->files,
            'user' => Visitor::of($request)?->name,
            'role' => Visitor::of($request)?->role,
        ]);
    }

    #[Operation('machine', request: 'machine-request')]
    public function update(Request $request): JsonResponse
    {
        $this->settings->set(['lineSpeed' => Payload::of($request, 'machine-request')['lineSpeed']]);

        return $this->show($request);
    }
}
