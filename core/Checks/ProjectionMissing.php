<?php

declare(strict_types=1);

namespace OuterCrate\Checks;

use OuterCrate\Planning\Cell;
use OuterCrate\Planning\Plan;

/** The host shows 360 pieces, and the cut does not say that it is one. */
final class ProjectionMissing implements Check
{
    public function look(Plan $plan, Subject $subject): ?Finding
    {
        $host = $plan->spec->host;
        if ($host?->asks->projection === null || $subject->reading->mainVideo()?->projection !== null) {
            return null;
        }

        return new Finding('projection-missing', Severity::Caution, Cell::FrameSize, "{$host->name} asks {$host->asks->projection} projection metadata, and the cut carries none. It would be shown flat.");
    }
}
