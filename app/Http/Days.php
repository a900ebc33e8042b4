<?php

namespace App\Http;

use DateTimeZone;
use Illuminate\Http\Request;
use Illuminate\Support\Carbon;

/** Days of an address (`?from=2026-12-01`), in the configured time zone. */
final class Days
{
    /** When the day begins; null where none is named. */
    public static function start(Request $request, string $name): ?Carbon
    {
        $day = $request->query($name);
        $zone = new DateTimeZone((string) config('crate.dispatch.zone'));

        return is_string($day) && $day !== '' ? Carbon::createFromFormat('!Y-m-d', $day, $zone)?->utc() : null;
    }

    /** When the day is over. */
    public static function end(Request $request, string $name): ?Carbon
    {
        return self::start($request, $name)?->addDay();
    }
}
