<?php

namespace App\Http\Controllers;

use App\Http\Resources\CutResource;
use App\Http\Resources\RunResource;
use App\Models\Cut;
use App\Models\Run;
use App\Packing\FileName;
use App\Packing\Packer;
use App\Planning\Planning;
use Illuminate\Http\JsonResponse;

class PackController
{
    /** Queues every output of the cut's sheet. */
    public function store(Cut $cut, Planning $planning, Packer $packer): JsonResponse
    {
        $folder = config('crate.deliveries').'/'.FileName::safe($cut->name);
        $reading = $cut->reading();
        $runs = $packer->queue($cut, $planning->plans($reading, $cut->outputs, $folder, $cut->range($reading)), $folder);

        return response()->json(['pack' => $runs->first()?->pack, 'runs' => $runs->map(RunResource::of(...))], 202);
    }

    /** The slips of what was packed together. */
    public function show(string $pack): JsonResponse
    {
        $runs = Run::query()->where('pack', $pack)->orderBy('id')->get();
        abort_if($runs->isEmpty(), 404);
        $cut = Cut::query()->find($runs->first()?->cut_id);

        return response()->json([
            'pack' => $pack,
            'cutName' => $runs->first()?->cut_name,
            'cut' => $cut === null ? null : CutResource::of($cut),
            'runs' => $runs->map(RunResource::whole(...)),
        ]);
    }
}
