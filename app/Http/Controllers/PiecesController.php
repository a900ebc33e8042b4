<?php

namespace App\Http\Controllers;

use App\Desk\CutPieces;
use App\Http\Api\Operation;
use App\Http\Payload;
use App\Models\Cut;
use App\Resources\PiecesResource;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Request;
use OuterCrate\Pieces\NoPieces;

class PiecesController
{
    #[Operation('pieces-answer')]
    public function show(Cut $cut): JsonResponse
    {
        try {
            $pieces = CutPieces::of($cut);
        } catch (NoPieces) {
            // None is left in the range: packing says so.
            $pieces = [];
        }

        return response()->json(PiecesResource::of($pieces, $cut->reading()));
    }

    /** Divides the cut by marks, by a list, or by its shots; without a mark it goes out in one file. */
    #[Operation('pieces-answer', request: 'pieces-request')]
    public function update(Request $request, Cut $cut, CutPieces $pieces): JsonResponse
    {
        $asked = Payload::of($request, 'pieces-request');
        $pieces->keep($cut, match (true) {
            isset($asked['list']) => $pieces->inList($cut, $asked['list']),
            isset($asked['shots']) => $pieces->byShots($cut),
            default => $pieces->at($cut, array_column($asked['points'] ?? [], 'name', 'frame')),
        });

        return $this->show($cut);
    }
}
