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

/** The host shows 360 pieces, and the cut does not say that it is one. */
final class ProjectionMissing implements Check
{
    public function look(Plan $plan, Subject $subject): ?Finding
    {
        $host = $plan->spec->host;
        if ($host?->asks->projection === null || $plan->frameSize->projection !== null || $subject->reading->mainVideo()?->projection !== null) {
            return null;
        }

        return new Finding('projection-missing', Severity::Caution, Cell::FrameSize, "{$host->name} asks {$host->asks->projection} projection metadata, and the cut carries none. Its {$plan->frameSize->frame} would be shown flat.", Remedy::adding($plan, 'It is a 360 picture: tag it', Cell::FrameSize, ['projection' => $host->asks->projection]));
    }
}
