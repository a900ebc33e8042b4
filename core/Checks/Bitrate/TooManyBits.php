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
use OuterCrate\Planning\Cells\Bitrate\BitrateSchema;
use OuterCrate\Planning\Plan;
use OuterCrate\Planning\Subject;
use OuterCrate\Units\Bitrate;

/** More bits for each pixel than the eye, or a host’s encoder, can use. */
final class TooManyBits implements Check
{
    /** Times what plain footage comes to at the codec's usual quality: three halvings of its error, and grain on top. */
    private const CEILING = 8.0;

    public function look(Plan $plan, Subject $subject, SizeEstimate $estimate): ?Finding
    {
        $usual = $plan->video->codec->quality()?->bitsPerPixel;
        $bits = $plan->bitsPerPixel();
        $average = $plan->bitrate->average;
        if (
            $usual === null ||
            $bits === null ||
            $average === null ||
            $plan->bitrate->mode === BitrateMode::Cbr ||
            $bits <= $usual * self::CEILING
        ) {
            return null;
        }
        $pixels = $plan->frameRate->rate->perSecond->times($plan->frameSize->picture->pixels())->toFloat();
        $enough = Bitrate::kilobits(max(BitrateSchema::kilobits()->least, floor(($pixels * $usual * self::CEILING * 0.95) / 1000)));
        if (! $average->isAbove($enough)) {
            return null;
        }

        return new Finding(
            'too-many-bits',
            Severity::Note,
            BitrateCell::NAME,
            "{$average} is {$bits} bits a pixel. {$plan->video->codec->name()} shows no more beyond about ".
                round($usual * self::CEILING, 2).
                '; only the file grows.',
            Remedy::adding($plan, "Lower the average to {$enough}", BitrateCell::NAME, [
                'average' => ['kbps' => $enough->inKilobits()],
                'peak' => ['timesAverage' => 1.5],
            ]),
        );
    }
}
