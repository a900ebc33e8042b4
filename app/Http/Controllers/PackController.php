<?php

namespace App\Http\Controllers;

use App\Desk\CutDesk;
use App\Desk\Surroundings;
use App\Http\Payload;
use App\Http\RequestRefused;
use App\Models\Cut;
use App\Models\Run;
use App\Packing\Packer;
use App\Packing\SheetsPacker;
use App\Resources\CutResource;
use App\Resources\RunResource;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Request;
use OuterCrate\Desk\Column;

class PackController
{
    /**
     * Queues the outputs that are named, or every output of the cut's sheet. What lies there unchanged, or is under way, is made again
     * only with `?again=1`; `?only=KEY` makes one column of the sheet.
     */
    public function store(Request $request, Cut $cut, CutDesk $desk, Packer $packer): JsonResponse
    {
        $folder = Surroundings::deliveries($cut->name);
        $reading = $cut->reading();
        $keys = [];
        if ($request->getContent() === '') {
            [$columns, $keys] = self::ofSheet($desk->sheet($cut, $reading), array_column($cut->outputs, 'key'), $request->query('only'));
        } else {
            $outputs = Payload::of($request, 'pack-request')['outputs'];
            $columns = $desk->columns($cut, $reading, $outputs, $cut->range($reading));
        }
        $runs = $packer->pack($cut, $columns, $folder, $request->boolean('again'), $keys);

        return response()->json(['pack' => $runs[0]->pack, 'runs' => $runs->map(RunResource::of(...))], 202);
    }

    /**
     * @param  list<Column>  $columns
     * @param  list<string>  $keys  of them
     * @param  mixed  $only  key of the one that is wanted; null for all
     * @return array{list<Column>, list<string>}
     */
    private static function ofSheet(array $columns, array $keys, mixed $only): array
    {
        if ($only === null) {
            return [$columns, $keys];
        }
        $at = array_search($only, $keys, true);

        return $at === false
            ? throw RequestRefused::notThere('There is no such column on the sheet.', 'Look at the sheet again.')
            : [[$columns[$at]], [$keys[$at]]];
    }

    /** Queues what is decided on several sheets, and says which could not be. */
    public function several(Request $request, SheetsPacker $packer): JsonResponse
    {
        $cuts = Cut::query()->whereKey(Payload::of($request, 'packs-request')['cuts'])->orderBy('id')->get();
        ['runs' => $runs, 'refused' => $refused] = $packer->pack($cuts);

        return response()->json(['runs' => array_map(RunResource::of(...), $runs), 'refused' => $refused], 202);
    }

    /** The slips of what was packed together. */
    public function show(string $pack): JsonResponse
    {
        $runs = Run::query()->where('pack', $pack)->orderBy('id')->get();
        $runs->isNotEmpty() || throw RequestRefused::notThere('This is not here, or no longer.', 'Go back to the shelf.');
        $cut = Cut::query()->find($runs[0]->cut_id);

        return response()->json([
            'pack' => $pack,
            'cutName' => $runs[0]->cut_name,
            'cut' => $cut === null ? null : CutResource::of($cut),
            'runs' => $runs->map(RunResource::whole(...)),
        ]);
    }
}
