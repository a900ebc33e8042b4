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

/** A 360 picture is cut, padded or put where its projection cannot be told. */
final class ProjectionLost implements Check
{
    public function look(Plan $plan, Subject $subject, SizeEstimate $estimate): ?Finding
    {
        $cut = $subject->reading->mainVideo()?->projection;
        $size = $plan->frameSize;
        $container = $plan->container->container;
        if ($cut === null && $size->projection === null) {
            return null;
        }
        if ($size->projection === null) {
            return new Finding(
                'projection-lost',
                Severity::Caution,
                FrameSizeCell::NAME,
                "The cut is a 360 picture ({$cut}), and this frame of {$size->frame} no longer shows all of it: it would be shown flat.",
                new Remedy('Keep the whole sphere', ['frameSize' => ['follow' => 'displayed', 'bars' => null]]),
            );
        }

        return $container->tellsProjection()
            ? null
            : new Finding(
                'projection-lost',
                Severity::Caution,
                FrameSizeCell::NAME,
                "{$container->name()} is not told here that {$size->frame} is a 360 picture: it would be shown flat.",
                new Remedy('Use MOV, which is told', ['container' => ['set' => 'mov'], 'audio' => 'follow']),
            );
    }
}
