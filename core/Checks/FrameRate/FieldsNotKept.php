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

/** Fields were to be kept, and the codec or the container does not. */
final class FieldsNotKept implements Check
{
    public function look(Plan $plan, Subject $subject, SizeEstimate $estimate): ?Finding
    {
        $video = $subject->reading->mainVideo();
        if (
            $video === null ||
            ! $plan->frameRate->source->isInterlaced() ||
            $plan->frameRate->scan->isInterlaced() ||
            $plan->wishes('frameRate', 'fields') !== 'keep'
        ) {
            return null;
        }

        return new Finding(
            'fields-not-kept',
            Severity::Note,
            FrameRateCell::NAME,
            "{$plan->video->name()} in {$plan->container->container->name()} holds no fields: the {$video->frameRate->label()} "
                .'interlaced frames are made progressive.',
            Remedy::adding($plan, 'By the material', FrameRateCell::NAME, ['fields' => null]),
        );
    }
}
