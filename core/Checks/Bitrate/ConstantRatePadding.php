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

/** A constant rate far above what the picture needs is filled up with nothing. */
final class ConstantRatePadding implements Check
{
    private const TIMES = 4;

    public function look(Plan $plan, Subject $subject, SizeEstimate $estimate): ?Finding
    {
        $usual = $plan->video->codec->quality()?->bitsPerPixel;
        $bits = $plan->bitsPerPixel();
        if ($plan->bitrate->mode !== BitrateMode::Cbr || $usual === null || $bits === null || $bits <= $usual * self::TIMES) {
            return null;
        }

        return new Finding(
            'constant-rate-padding',
            Severity::Note,
            BitrateCell::NAME,
            "CBR at {$plan->bitrate->average} is {$bits} bits a pixel; plain footage needs about {$usual} in "
                ."{$plan->video->codec->name()}, and the rest is filled with padding that is sent for nothing.",
            Remedy::adding($plan, 'Use VBR with this average', BitrateCell::NAME, ['mode' => 'vbr', 'peak' => ['timesAverage' => 1.5]]),
        );
    }
}
