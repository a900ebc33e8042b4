<?php

declare(strict_types=1);

namespace OuterCrate\Checks\FrameSize;

use OuterCrate\Analysis\Severity;
use OuterCrate\Checks\Findings\Check;
use OuterCrate\Checks\Findings\Finding;
use OuterCrate\Checks\Findings\Remedy;
use OuterCrate\Estimates\SizeEstimate;
use OuterCrate\Planning\Cells\FrameSize\FrameSizeCell;
use OuterCrate\Planning\Plan;
use OuterCrate\Planning\Subject;

/** An equirectangular sphere is twice as wide as high. */
final class SphereNotTwoToOne implements Check
{
    public function look(Plan $plan, Subject $subject, SizeEstimate $estimate): ?Finding
    {
        $size = $plan->frameSize;
        $shape = $size->frame->aspect()->times($size->sampleAspect)->toFloat();
        $eyes = $subject->reading->mainVideo()?->stereo;
        if ($size->projection !== 'equirectangular' || ! in_array($eyes, [null, 'mono'], true) || abs($shape / 2 - 1) < 0.02) {
            return null;
        }

        return new Finding(
            'sphere-not-2-1',
            Severity::Caution,
            FrameSizeCell::NAME,
            "An equirectangular sphere has 2:1; {$size->frame} has ".round($shape, 2).':1, and straight lines will bend.',
            Remedy::adding($plan, 'Leave it flat', FrameSizeCell::NAME, ['projection' => 'none']),
        );
    }
}
