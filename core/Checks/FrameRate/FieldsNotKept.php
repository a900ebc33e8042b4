<?php

declare(strict_types=1);

namespace OuterCrate\Checks\FrameRate;

use OuterCrate\Checks\Check;
use OuterCrate\Checks\Finding;
use OuterCrate\Checks\Remedy;
use OuterCrate\Checks\Severity;
use OuterCrate\Checks\Subject;
use OuterCrate\Planning\Cell;
use OuterCrate\Planning\Plan;

/** Fields were to be kept, and the codec or the container does not. */
final class FieldsNotKept implements Check
{
    public function look(Plan $plan, Subject $subject): ?Finding
    {
        $video = $subject->reading->mainVideo();
        if ($video === null || ! $plan->frameRate->source->isInterlaced() || $plan->frameRate->scan->isInterlaced() || $plan->wishes('frameRate', 'fields') !== 'keep') {
            return null;
        }

        return new Finding('fields-not-kept', Severity::Note, Cell::FrameRate, "{$plan->picture->name()} in {$plan->container->container->name()} holds no fields: the {$video->frameRate->label()} interlaced frames are made progressive.", Remedy::adding($plan, 'By the material', Cell::FrameRate, ['fields' => null]));
    }
}
