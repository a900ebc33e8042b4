<?php

declare(strict_types=1);

namespace OuterCrate\Checks\FrameRate;

use OuterCrate\Analysis\Severity;
use OuterCrate\Checks\Findings\Check;
use OuterCrate\Checks\Findings\Finding;
use OuterCrate\Checks\Findings\Remedy;
use OuterCrate\Estimates\SizeEstimate;
use OuterCrate\Planning\Cells\FrameRate\FrameRateCell;
use OuterCrate\Planning\Plan;
use OuterCrate\Planning\Subject;

/** The rate is no whole multiple of the cut's: frames are repeated or dropped unevenly, which the eye sees as judder. */
final class FrameRateChanged implements Check
{
    public function look(Plan $plan, Subject $subject, SizeEstimate $estimate): ?Finding
    {
        $video = $subject->reading->mainVideo();
        if ($video === null || $video->variableRate) {
            return null;
        }
        $ratio = $plan->frameRate->rate->perSecond->over($video->frameRate->perSecond);
        if ($ratio->denominator === 1) {
            return null;
        }

        return new Finding(
            'frame-rate-changed',
            Severity::Caution,
            FrameRateCell::NAME,
            "{$video->frameRate->label()} fps become {$plan->frameRate->rate->label()}: frames are repeated or dropped unevenly, "
                .'and motion judders.',
            new Remedy("Follow the cut, {$video->frameRate->label()} fps", ['frameRate' => 'follow']),
        );
    }
}
