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

/** The host shows 360 pieces, and the cut does not say that it is one. */
final class ProjectionMissing implements Check
{
    public function look(Plan $plan, Subject $subject, SizeEstimate $estimate): ?Finding
    {
        $host = $plan->spec->host;
        if (
            $host?->asks->frame->projection === null ||
            $plan->frameSize->projection !== null ||
            $subject->reading->mainVideo()?->projection !== null
        ) {
            return null;
        }

        return new Finding(
            'projection-missing',
            Severity::Caution,
            FrameSizeCell::NAME,
            "{$host->name} asks {$host->asks->frame->projection} projection metadata, and the cut carries none. Its "
                ."{$plan->frameSize->frame} would be shown flat.",
            Remedy::adding($plan, 'It is a 360 picture: tag it', FrameSizeCell::NAME, ['projection' => $host->asks->frame->projection]),
        );
    }
}
