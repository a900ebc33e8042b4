<?php

declare(strict_types=1);

namespace OuterCrate\Checks\Bitrate;

use OuterCrate\Analysis\Severity;
use OuterCrate\Checks\Findings\Check;
use OuterCrate\Checks\Findings\Finding;
use OuterCrate\Checks\Findings\Remedy;
use OuterCrate\Estimates\SizeEstimate;
use OuterCrate\Formats\Picture\BitrateMode;
use OuterCrate\Planning\Cells\Bitrate\BitrateCell;
use OuterCrate\Planning\Plan;
use OuterCrate\Planning\Subject;

/** A peak is held over much less than a second, by a device or by wish: that costs picture where it is needed most. */
final class StrictPeak implements Check
{
    /**
     * What buffers of a second, a half, a quarter and an eighth did to eight real scenes of 76 s in H.264, two passes, peak 1.5 times
     * the average: loss of SSIM in dB against the first, and bits of the fullest second against the peak (docs/decisions/0027).
     */
    private const LOSS = [0.0, 0.2, 0.48, 0.86];

    private const FULLEST = [1.56, 1.3, 1.14, 1.07];

    /** Loss in dB from which it is told: less is not seen. */
    private const TOLD = 0.1;

    public function look(Plan $plan, Subject $subject, SizeEstimate $estimate): ?Finding
    {
        $rate = $plan->bitrate;
        if ($rate->peak === null || $rate->buffer === null || $rate->mode !== BitrateMode::Vbr) {
            return null;
        }
        $halvings = -log(max(0.001, $rate->buffer / $rate->peak->bitsPerSecond), 2);
        $loss = self::between(self::LOSS, $halvings);
        if ($loss < self::TOLD) {
            return null;
        }
        $text = sprintf(
            'The %s is strict: the fullest second holds about %.2f × the peak, where a second of buffer lets it hold %.2f ×, and busy '
                .'scenes lose about %.1f dB (SSIM, measured on 76 s of eight scenes).',
            $rate->peakLabel(),
            self::between(self::FULLEST, $halvings),
            self::FULLEST[0],
            $loss,
        );

        return new Finding(
            'strict-peak',
            Severity::Note,
            BitrateCell::NAME,
            $text,
            // A device and a level hold no more.
            $plan->rules->fields(BitrateCell::NAME)->within('buffer')->fraction('seconds') !== null && $plan->spec->preset->device === null
                ? Remedy::adding($plan, 'Hold it over a second', BitrateCell::NAME, ['buffer' => ['seconds' => 1]])
                : null,
        );
    }

    /** @param  non-empty-list<float>  $figures  of a second, a half, a quarter …; beyond the last the last */
    private static function between(array $figures, float $halvings): float
    {
        $at = max(0.0, min(count($figures) - 1, $halvings));
        $from = (int) floor($at);
        $to = min($from + 1, count($figures) - 1);

        return $figures[$from] + ($at - $from) * ($figures[$to] - $figures[$from]);
    }
}
