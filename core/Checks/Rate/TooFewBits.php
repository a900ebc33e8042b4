<?php

declare(strict_types=1);

namespace OuterCrate\Checks\Rate;

use OuterCrate\Checks\Check;
use OuterCrate\Checks\Finding;
use OuterCrate\Checks\Remedy;
use OuterCrate\Checks\Severity;
use OuterCrate\Checks\Subject;
use OuterCrate\Planning\Cell;
use OuterCrate\Planning\Plan;
use OuterCrate\Units\Bitrate;

/** Fewer bits for each pixel than the codec needs for a picture that holds together, whatever a host asks. */
final class TooFewBits implements Check
{
    /** Share of what plain footage comes to at the codec's usual quality, below which blocks are seen. */
    private const FLOOR = 0.3;

    public function look(Plan $plan, Subject $subject): ?Finding
    {
        $usual = $plan->picture->codec->quality()?->bitsPerPixel;
        $bits = $plan->bitsPerPixel();
        $asked = $plan->askedAverage();
        if ($usual === null || $bits === null || $plan->rate->average === null || $bits >= $usual * self::FLOOR || ($asked !== null && ! $asked->isAbove($plan->rate->average))) {
            return null;
        }
        $pixels = $plan->frameRate->rate->perSecond->times($plan->frameSize->picture->pixels())->toFloat();
        $enough = Bitrate::kilobits((int) ceil($pixels * $usual * self::FLOOR * 1.05 / 1000));

        return new Finding(
            'too-few-bits',
            Severity::Caution,
            Cell::Rate,
            "{$bits} bits a pixel are little for {$plan->picture->codec->name()}, which needs about ".round($usual * self::FLOOR, 3).' for plain footage: motion and grain turn to blocks.',
            Remedy::adding($plan, "Raise the average to {$enough}", Cell::Rate, ['average' => ['kbps' => $enough->inKilobits()], 'peak' => ['timesAverage' => 1.5]]),
        );
    }
}
