<?php

namespace App\Resources;

use OuterCrate\Reading\Reading;
use OuterCrate\Units\Duration;
use OuterCrate\Units\FrameRange;
use OuterCrate\Units\FrameRate;

/** A range as the sheet shows it: numbers, timecodes, how long it is. The last frame is included. */
final class RangeResource
{
    /**
     * @return array{first: int, last: int, firstLabel: string, lastLabel: string, frames: int, seconds: string, durationLabel: string,
     *     whole: bool}
     */
    public static function of(FrameRange $range, Reading $reading): array
    {
        $seconds = ($reading->mainVideo()->frameRate ?? FrameRate::of(25))->secondsOf($range->count());

        return [
            'first' => $range->first,
            'last' => $range->last,
            'firstLabel' => (string) $reading->timecode($range->first),
            'lastLabel' => (string) $reading->timecode($range->last),
            'frames' => $range->count(),
            'seconds' => number_format($seconds->toFloat(), 3, '.', ''),
            'durationLabel' => (string) new Duration($seconds),
            'whole' => $range->count() >= $reading->length(),
        ];
    }
}
