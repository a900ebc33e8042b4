<?php

declare(strict_types=1);

namespace OuterCrate\Checks\FrameSize;

use OuterCrate\Checks\Check;
use OuterCrate\Checks\Finding;
use OuterCrate\Checks\Remedy;
use OuterCrate\Checks\Severity;
use OuterCrate\Checks\Subject;
use OuterCrate\Planning\Cell;
use OuterCrate\Planning\Plan;

/** An equirectangular sphere is twice as wide as high. */
final class SphereNotTwoToOne implements Check
{
    public function look(Plan $plan, Subject $subject): ?Finding
    {
        $size = $plan->frameSize;
        $shape = $size->frame->aspect()->times($size->sampleAspect)->toFloat();
        $eyes = $subject->reading->mainVideo()?->stereo;
        if ($size->projection !== 'equirectangular' || ! in_array($eyes, [null, 'mono'], true) || abs($shape / 2 - 1) < 0.02) {
            return null;
        }

        return new Finding('sphere-not-2-1', Severity::Caution, Cell::FrameSize, "An equirectangular sphere has 2:1; {$size->frame} has ".round($shape, 2).':1, and straight lines will bend.', Remedy::adding($plan, 'Leave it flat', Cell::FrameSize, ['projection' => 'none']));
    }
}
