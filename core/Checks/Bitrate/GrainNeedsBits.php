<?php

declare(strict_types=1);

namespace OuterCrate\Checks\Bitrate;

use OuterCrate\Analysis\Severity;
use OuterCrate\Checks\Findings\Check;
use OuterCrate\Checks\Findings\Evidence;
use OuterCrate\Checks\Findings\Finding;
use OuterCrate\Checks\Findings\Remedy;
use OuterCrate\Estimates\SizeEstimate;
use OuterCrate\Planning\Cells\Bitrate\BitrateCell;
use OuterCrate\Planning\Plan;
use OuterCrate\Planning\Subject;
use OuterCrate\Units\Bitrate;

/** Grain is what a small rate turns to blocks first. */
final class GrainNeedsBits implements Check
{
    /** Standard deviation, on a scale to 255. */
    private const GRAIN = 5.0;

    /** Of what plain footage comes to. */
    private const TIMES = 1.8;

    public function look(Plan $plan, Subject $subject, SizeEstimate $estimate): ?Finding
    {
        $found = $subject->found;
        $usual = $plan->video->codec->quality()?->bitsPerPixel;
        $bits = $plan->bitsPerPixel();
        $average = $plan->bitrate->average;
        if (
            $found === null ||
            $usual === null ||
            $bits === null ||
            $average === null ||
            $found->grain < self::GRAIN ||
            $bits >= $usual * self::TIMES ||
            $plan->video->tune === 'grain'
        ) {
            return null;
        }
        $pixels = $plan->frameRate->rate->perSecond->times($plan->frameSize->picture->pixels())->toFloat();
        $enough = Bitrate::kilobits((int) ceil(($pixels * $usual * self::TIMES * 1.02) / 1000));

        $evidence = Evidence::of($plan, $subject);
        $kept = $evidence?->own->grainKept;

        return new Finding(
            'grain-needs-bits',
            Severity::Note,
            BitrateCell::NAME,
            'The cut has grain of '.
                round($found->grain, 1).
                " of 255. At {$bits} bits a pixel it turns to blocks; about ".
                round($usual * self::TIMES, 2).
                ' keep it.'.
                ($kept === null ? '' : " {$evidence->source()}: ".round(100 * $kept).' % of it are left.'),
            Remedy::adding($plan, "Raise the average to {$enough}", BitrateCell::NAME, [
                'average' => ['kbps' => $enough->inKilobits()],
                'peak' => ['timesAverage' => 1.5],
            ]),
        );
    }
}
