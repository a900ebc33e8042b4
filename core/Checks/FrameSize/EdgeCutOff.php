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

/** The cut has an odd side, which cannot be stored: a column or a row of its pixels is left out, and the others stay as they are. */
final class EdgeCutOff implements Check
{
    public function look(Plan $plan, Subject $subject, SizeEstimate $estimate): ?Finding
    {
        $upright = $subject->reading->mainVideo()?->uprightSize();
        if (! $plan->frameSize->edge || $upright === null) {
            return null;
        }

        return new Finding(
            'edge-cut-off',
            Severity::Note,
            FrameSizeCell::NAME,
            "Chroma of {$plan->colour->pixelFormat->chroma->value} is stored for pairs of pixels, and a side of {$upright} is odd: its "
                .'last column or row is cut off, and all other pixels stay as they are.',
            new Remedy('Keep every pixel: FFV1 4:4:4', [
                'container' => ['set' => 'matroska'],
                'video' => ['codec' => 'ffv1'],
                'colour' => ['chroma' => '4:4:4'],
            ]),
        );
    }
}
