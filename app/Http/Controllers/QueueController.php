<?php

namespace App\Http\Controllers;

use App\Http\Api\Operation;
use App\Http\RequestRefused;
use App\Models\Cut;
use App\Models\QueuedRuns;
use App\Models\ShownRuns;
use App\Models\Work;
use App\Resources\QueueResource;
use App\Resources\RunResource;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Request;
use Illuminate\Support\Collection;

/**
 * Runs under way in their order, then finished ones that were not cleared, the latest first.
 *
 * @phpstan-import-type ShownRun from ShownRuns
 */
class QueueController
{
    /** Finished runs. Older ones are in the list of deliveries. */
    private const MAX_OVER = 200;

    private const MAX_OVER_OF_CUT = 24;

    /** Changed runs in one answer. */
    private const MAX_CHANGED = 400;

    /** Seconds by which answers overlap, so that changes written during a request are not missed. */
    private const OVERLAP = 2.0;

    #[Operation('queue')]
    public function index(): JsonResponse
    {
        $at = Work::now(-self::OVERLAP);
        $queued = QueuedRuns::of();

        return self::answer($at, $queued, self::runs($queued, ShownRuns::over(null, self::MAX_OVER)));
    }

    /** Runs that changed since the `at` of an earlier answer, and the order of all runs. */
    #[Operation('queue', query: ['since'])]
    public function changes(Request $request): JsonResponse
    {
        $at = Work::now(-self::OVERLAP);
        $since = $request->string('since')->value();
        if ($since === '') {
            throw RequestRefused::notPossible('The time is missing.', 'Pass the “at” of an earlier answer as ?since=.');
        }

        return self::answer($at, QueuedRuns::of(), ShownRuns::changed($since, self::MAX_CHANGED));
    }

    /** Runs of one cut, cleared ones too. */
    #[Operation('cut-runs')]
    public function ofCut(Cut $cut): JsonResponse
    {
        $runs = self::runs(QueuedRuns::of($cut->id), ShownRuns::over($cut->id, self::MAX_OVER_OF_CUT));

        return response()->json(['runs' => $runs->map(RunResource::of(...))]);
    }

    /**
     * @param  Collection<int, object{id: int}>  $queued
     * @param  Collection<int, ShownRun>  $over
     * @return Collection<int, ShownRun>
     */
    private static function runs(Collection $queued, Collection $over): Collection
    {
        $order = $queued->pluck('id')->all();
        $places = array_flip($order);

        // A run that ends between the two queries is listed once.
        return ShownRuns::these($order)->concat($over->reject(fn (object $run): bool => isset($places[$run->id])));
    }

    /**
     * @param  Collection<int, object{id: int, state: string, paused: bool|int, percent: int, seconds_left: ?int, started_at: ?string,
     *     expected_seconds: float|string|null}>  $queued
     * @param  Collection<int, ShownRun>  $runs
     */
    private static function answer(string $at, Collection $queued, Collection $runs): JsonResponse
    {
        $table = QueueResource::table($queued);

        // response() would load everything that renders pages.
        return new JsonResponse([
            'at' => $at,
            'order' => $queued->pluck('id'),
            'runs' => $runs->map(RunResource::of(...)),
            'times' => QueueResource::times($queued, $table),
            'queue' => QueueResource::summary($queued, $table),
        ]);
    }
}
