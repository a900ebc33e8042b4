<?php

namespace App\Http\Controllers;

use App\Models\ActivityEntry;
use App\Resources\Moment;
use App\SignIn\ActivityLog;
use DateTimeZone;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Request;
use Illuminate\Support\Carbon;

/** Who did what and when. */
class ActivityController
{
    private const PAGE = 50;

    public function __invoke(Request $request, ActivityLog $log): JsonResponse
    {
        $zone = new DateTimeZone((string) config('crate.dispatch.zone'));
        $day = fn (string $name): ?Carbon => $request->query($name) === null
            ? null
            : Carbon::createFromFormat('!Y-m-d', (string) $request->query($name), $zone)?->utc();
        $entries = $log->search(
            (string) $request->query('search', ''),
            $day('from'),
            $day('until')?->addDay(),
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
