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

/** A player plays some frame sizes alone, and this is none of them. */
final class DeviceRefusesSize implements Check
{
    public function look(Plan $plan, Subject $subject, SizeEstimate $estimate): ?Finding
    {
        $device = $plan->spec->preset->device;
        if ($device === null || $device->ratesOf($plan->frameSize->frame) !== []) {
            return null;
        }
        // The first that goes with the rate, or the first of all.
        $size = $device->pictures[0]->size;
        foreach ($device->pictures as $picture) {
            if ($picture->has($plan->frameRate->rate)) {
                $size = $picture->size;
                break;
            }
        }

        return new Finding(
            'device-refuses-size',
            Severity::Stop,
            FrameSizeCell::NAME,
            "{$device->name}s hold {$device->picturesInWords()}, and no {$plan->frameSize->frame}.",
            Remedy::adding($plan, "Make it {$size}", FrameSizeCell::NAME, ['exact' => (string) $size]),
        );
    }
}
