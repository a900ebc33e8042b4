<?php

namespace App\Http\Controllers;

use App\Analysis\CutAnalyses;
use App\Http\Api\Operation;
use App\Media\Workspace;
use App\Models\Cut;
use App\Resources\AnalysisResource;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Request;
use OuterCrate\Analysis\Curves;
use OuterCrate\Units\FrameRange;
use OuterCrate\Units\FrameRate;

class AnalysisController
{
    private const MOST_COLUMNS = 4_000;

    #[Operation('cut-analysis')]
    public function show(Cut $cut): JsonResponse
    {
        return response()->json(AnalysisResource::of($cut));
    }

    /** Has the cut looked at again from the beginning. */
    #[Operation('cut-analysis', status: 202)]
    public function store(Cut $cut, CutAnalyses $analyses): JsonResponse
    {
        $analyses->ask($cut, anew: true);

        return response()->json(AnalysisResource::of($cut->refresh()), 202);
    }

    /** The shapes of sound and detail over some frames, in as many columns as asked for. Empty until they are measured. */
    #[Operation('curves', query: ['first', 'last', 'columns'])]
    public function curves(Request $request, Cut $cut): JsonResponse
    {
        $reading = $cut->reading();
        $facts = Workspace::ofCut($cut->id)->facts();
        $frames = $facts?->frames() ?? 0;
        if ($facts === null || $frames === 0) {
            return response()->json(['first' => 0, 'last' => 0, 'peak' => [], 'detail' => []]);
        }
        $range = FrameRange::whole($frames)->clamp($request->integer('first'), $request->integer('last', $frames - 1));
        $columns = max(1, min(self::MOST_COLUMNS, $request->integer('columns', 1000)));

        return response()->json(
            ['first' => $range->first, 'last' => $range->last] +
                Curves::between($facts, $reading->mainVideo()->frameRate ?? FrameRate::of(25), $range, $columns),
        );
    }
}
