<?php

declare(strict_types=1);

namespace OuterCrate\Analysis;

use OuterCrate\Units\FrameRange;
use OuterCrate\Units\FrameRate;

/** The shape of sound and detail over some frames, in as many columns as there are pixels to draw them. */
final class Curves
{
    /** Detail that fills the height, unless the cut has more: busy texture reaches about this (ITU-T P.910, annex A). */
    private const FULL_DETAIL = 60.0;

    /**
     * @param  int  $columns  1 or more; never more come back than there are frames
     * @return array{peak: list<float>, detail: list<float>} each from 0 to 1; no peaks for a cut without sound
     */
    public static function between(Facts $facts, FrameRate $rate, FrameRange $range, int $columns): array
    {
        $columns = max(1, min($columns, $range->count()));
        $detail = $facts->of(Measure::Spatial);
        $peak = $facts->of(Measure::Peak);
        $all = $detail->all();
        $full = max(self::FULL_DETAIL, $all === [] ? 0 : max($all));
        $peaksPerFrame = Measure::PEAKS_PER_SECOND / $rate->perSecond->toFloat();
        $curves = ['peak' => [], 'detail' => []];
        for ($i = 0; $i < $columns; $i++) {
            $from = $range->first + intdiv($i * $range->count(), $columns);
            $to = $range->first + intdiv(($i + 1) * $range->count(), $columns);
            $details = array_slice($all, $from, $to - $from);
            $curves['detail'][] = round(array_sum($details) / max(1, count($details)) / $full, 3);
            if ($facts->hasSound()) {
                $first = (int) floor($from * $peaksPerFrame);
                $curves['peak'][] = round(max([0.0, ...$peak->slice($first, max(1, (int) ceil($to * $peaksPerFrame) - $first))]), 3);
            }
        }

        return $curves;
    }
}
