<?php

declare(strict_types=1);

namespace OuterCrate\Checks\Rate;

use OuterCrate\Checks\Check;
use OuterCrate\Checks\Finding;
use OuterCrate\Checks\Remedy;
use OuterCrate\Checks\Severity;
use OuterCrate\Checks\Subject;
use OuterCrate\Formats\RateMode;
use OuterCrate\Planning\Cell;
use OuterCrate\Planning\Plan;
use OuterCrate\Units\Bitrate;

/** More bits for each pixel than the eye, or a host’s encoder, can use. */
final class TooManyBits implements Check
{
    /** Times what plain footage comes to at the codec's usual quality: three halvings of its error, and grain on top. */
    private const CEILING = 8.0;

    public function look(Plan $plan, Subject $subject): ?Finding
    {
        $usual = $plan->picture->codec->quality()?->bitsPerPixel;
        $bits = $plan->bitsPerPixel();
        $average = $plan->rate->average;
        if ($usual === null || $bits === null || $average === null || $plan->rate->mode === RateMode::Cbr || $bits <= $usual * self::CEILING) {
            return null;
        }
        $pixels = $plan->frameRate->rate->perSecond->times($plan->frameSize->picture->pixels())->toFloat();
        $enough = Bitrate::kilobits((int) ($pixels * $usual * self::CEILING * 0.95 / 1000));

        return new Finding('too-many-bits', Severity::Note, Cell::Rate, "{$average} is {$bits} bits a pixel. {$plan->picture->codec->name()} shows no more beyond about ".round($usual * self::CEILING, 2).'; only the file grows.', Remedy::adding($plan, "Lower the average to {$enough}", Cell::Rate, ['average' => ['kbps' => $enough->inKilobits()], 'peak' => ['timesAverage' => 1.5]]));
    }
}
