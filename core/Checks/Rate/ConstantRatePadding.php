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

/** A constant rate far above what the picture needs is filled up with nothing. */
final class ConstantRatePadding implements Check
{
    private const TIMES = 4;

    public function look(Plan $plan, Subject $subject): ?Finding
    {
        $usual = $plan->picture->codec->quality()?->bitsPerPixel;
        $bits = $plan->bitsPerPixel();
        if ($plan->rate->mode !== RateMode::Cbr || $usual === null || $bits === null || $bits <= $usual * self::TIMES) {
            return null;
        }

        return new Finding(
            'constant-rate-padding',
            Severity::Note,
            Cell::Rate,
            "CBR at {$plan->rate->average} is {$bits} bits a pixel; plain footage needs about {$usual} in {$plan->picture->codec->name()}, and the rest is filled with padding that is sent for nothing.",
            Remedy::adding($plan, 'Use VBR with this average', Cell::Rate, ['mode' => 'vbr', 'peak' => ['timesAverage' => 1.5]]),
        );
    }
}
