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

/** A player plays frames of a size at some rates alone, and some of them as fields alone or as frames alone. */
final class DeviceRefusesRate implements Check
{
    public function look(Plan $plan, Subject $subject, SizeEstimate $estimate): ?Finding
    {
        $device = $plan->spec->preset->device;
        $size = $plan->frameSize->frame;
        $rates = $device?->ratesOf($size) ?? [];
        if ($device === null || $rates === []) {
            return null;
        }
        $picture = $device->picture($size, $plan->frameRate->rate);
        $asFrames = $picture?->fields === false && $plan->frameRate->scan->isInterlaced();
        if ($picture !== null && ! $asFrames) {
            return null;
        }
        $suits = $plan->frameRate->rate->suiting($rates);

        return new Finding(
            'device-refuses-rate',
            Severity::Stop,
            FrameRateCell::NAME,
            $asFrames
                ? "{$device->name}s hold {$size} at {$plan->frameRate->rate->label()} fps in frames, not in fields."
                : "{$device->name}s hold {$device->picturesInWords()}, and no {$size} at {$plan->frameRate->rate->label()}.",
            $asFrames
                ? Remedy::adding($plan, 'Make frames of the fields', FrameRateCell::NAME, ['fields' => 'interpolate'])
                : Remedy::adding($plan, "Deliver at {$suits->label()} fps", FrameRateCell::NAME, ['exact' => (string) $suits]),
        );
    }
}
