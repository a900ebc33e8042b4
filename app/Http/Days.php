<?php

namespace App\Http;

use App\Configuration\DispatchSettings;
use DateTimeZone;
use Illuminate\Http\Request;
use Illuminate\Support\Carbon;

/** Dates in a query string (`?from=2026-12-01`), in the configured time zone. */
final class Days
{
    /** Start of the day; null if the parameter is missing. */
    public static function start(Request $request, string $name): ?Carbon
    {
        $day = $request->query($name);
        $zone = new DateTimeZone(app(DispatchSettings::class)->zone);

        return is_string($day) && $day !== '' ? Carbon::createFromFormat('!Y-m-d', $day, $zone)?->utc() : null;
    }

    /** End of the day; null if the parameter is missing. */
    public static function end(Request $request, string $name): ?Carbon
    {
        return self::start($request, $name)?->addDay();
    }
}
