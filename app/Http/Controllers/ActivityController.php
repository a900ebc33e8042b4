<?php

namespace App\Http\Controllers;

use App\Http\Api\Operation;
use App\Http\Days;
use App\Models\ActivityEntry;
use App\Resources\Moment;
use App\SignIn\ActivityLog;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Request;

/** Who did what and when. */
class ActivityController
{
    private const PAGE = 50;

    #[Operation('activity', query: ['search', 'before'])]
    public function __invoke(Request $request, ActivityLog $log): JsonResponse
    {
        $entries = $log->search(
            (string) $request->query('search', ''),
            Days::start($request, 'from'),
            Days::end($request, 'until'),
            $request->has('before') ? $request->integer('before') : null,
            self::PAGE,
        );

        return response()->json([
            'entries' => $entries->map(fn (ActivityEntry $entry): array => [
                'id' => $entry->id,
                'at' => Moment::at($entry->at->getTimestamp()),
                'who' => $entry->who,
                'what' => $entry->what,
                'subject' => $entry->subject,
                'address' => $entry->address,
                'times' => $entry->times,
            ]),
            'more' => $entries->count() === self::PAGE,
        ]);
    }
}
