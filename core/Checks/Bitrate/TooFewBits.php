<?php

declare(strict_types=1);

namespace OuterCrate\Checks\Bitrate;

use OuterCrate\Analysis\Severity;
use OuterCrate\Checks\Findings\Check;
use OuterCrate\Checks\Findings\Finding;
use OuterCrate\Checks\Findings\Remedy;
use OuterCrate\Estimates\SizeEstimate;
use OuterCrate\Planning\Cells\Bitrate\BitrateCell;
use OuterCrate\Planning\Plan;
use OuterCrate\Planning\Subject;
use OuterCrate\Units\Bitrate;

/** Fewer bits for each pixel than the codec needs for a picture that holds together, whatever a host asks. */
final class TooFewBits implements Check
{
    /** Share of what plain footage comes to at the codec's usual quality, below which blocks are seen. */
    private const FLOOR = 0.3;

    public function look(Plan $plan, Subject $subject, SizeEstimate $estimate): ?Finding
    {
        $usual = $plan->video->codec->quality()?->bitsPerPixel;
        $bits = $plan->bitsPerPixel();
        $asked = $plan->askedAverage();
        if (
            $usual === null ||
            $bits === null ||
            $plan->bitrate->average === null ||
            $bits >= $usual * self::FLOOR ||
            ($asked !== null && ! $asked->isAbove($plan->bitrate->average))
        ) {
            return null;
        }
        $pixels = $plan->frameRate->rate->perSecond->times($plan->frameSize->picture->pixels())->toFloat();
        $enough = Bitrate::kilobits((int) ceil(($pixels * $usual * self::FLOOR * 1.05) / 1000));

        return new Finding(
            'too-few-bits',
            Severity::Caution,
            BitrateCell::NAME,
            "{$bits} bits a pixel are little for {$plan->video->codec->name()}, which needs about ".
                round($usual * self::FLOOR, 3).
                ' for plain footage: motion and grain turn to blocks.',
            Remedy::adding($plan, "Raise the average to {$enough}", BitrateCell::NAME, [
                'average' => ['kbps' => $enough->inKilobits()],
                'peak' => ['timesAverage' => 1.5],
            ]),
        );
    }
}
