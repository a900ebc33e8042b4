<?php

namespace App\Http\Controllers;

use App\Http\Api\Operation;
use App\Models\QueuedRuns;
use App\Models\ShownRuns;
use App\Resources\QueueResource;
use App\Resources\RunResource;
use App\Work\Activities;
use App\Work\Presence;
use Illuminate\Http\JsonResponse;

/** The strip at the bottom of every page. Every open page asks for it, up to twice a second. */
class StripController
{
    /** Runs under way: one more than there is room for. */
    private const UNDER_WAY = 4;

    /** Finished runs. The page shows those of the latest delivery. */
    private const OVER = 8;

    #[Operation('strip')]
    public function __invoke(Activities $activities): JsonResponse
    {
        $queued = QueuedRuns::of();
        $first = $queued->take(self::UNDER_WAY)->pluck('id')->all();
        // A run that ends between the two queries is listed once.
        $over = ShownRuns::over(null, self::OVER)->reject(fn (object $run): bool => in_array($run->id, $first, true));

        // response() would load everything that renders pages.
        return new JsonResponse([
            'worker' => Presence::isThere(),
            'runs' => ($first === [] ? collect() : ShownRuns::these($first))->concat($over)->map(RunResource::of(...)),
            'activities' => $activities->list(),
            'queue' => QueueResource::summary($queued, QueueResource::table($queued)),
            'ended' => QueueResource::ended(),
        ]);
    }
}
