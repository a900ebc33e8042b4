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
use OuterCrate\Units\ByteCount;

/** One pass misses its average where the cut is short or mixed, and can only stay well under a size. */
final class OnePassMisses implements Check
{
    /** Percent from which on it is worth a word. */
    private const MISS = 5;

    public function look(Plan $plan, Subject $subject, SizeEstimate $estimate): ?Finding
    {
        $rate = $plan->bitrate;
        $misses = abs($estimate->missPercent) > self::MISS;
        $canTwo = $plan->video->codec->hasTwoPasses() && $plan->video->hardware === null;
        if ($rate->mode !== BitrateMode::Vbr || $rate->passes !== 1 || ! $canTwo || (! $misses && $rate->target === null)) {
            return null;
        }

        return new Finding(
            'one-pass-misses',
            Severity::Note,
            BitrateCell::NAME,
            $rate->target === null
                ? 'Tried on all of it, one pass comes out '.abs($estimate->missPercent).' % '
                    .($estimate->missPercent > 0 ? 'over' : 'under')
                    ." the average of {$rate->average}: it learns of the picture as it goes. Two passes land within 3 %."
                : 'One pass stays well under '.new ByteCount($rate->target).' to be safe, and is made again where it still passes it. '
                    .'Two passes come within 3 % of it.',
            Remedy::adding($plan, 'Make it in two passes', BitrateCell::NAME, ['mode' => 'vbr', 'passes' => 2]),
        );
    }
}
