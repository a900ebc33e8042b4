<?php

declare(strict_types=1);

namespace OuterCrate\Checks\Keyframes;

use OuterCrate\Analysis\Severity;
use OuterCrate\Checks\Findings\Check;
use OuterCrate\Checks\Findings\Finding;
use OuterCrate\Checks\Findings\Remedy;
use OuterCrate\Estimates\SizeEstimate;
use OuterCrate\Planning\Cells\Keyframes\KeyframesCell;
use OuterCrate\Planning\Plan;
use OuterCrate\Planning\Subject;

/** A player jumps to keyframes, and takes them no further apart than so. */
final class DeviceRefusesKeyframes implements Check
{
    public function look(Plan $plan, Subject $subject, SizeEstimate $estimate): ?Finding
    {
        $device = $plan->spec->preset->device;
        $keyframes = $plan->keyframes;
        if ($device === null || $keyframes->seconds->compare($device->keyframes) <= 0) {
            return null;
        }
        $most = $plan->frameRate->rate->perSecond->times($device->keyframes)->floor();

        return new Finding(
            'device-refuses-keyframes',
            Severity::Stop,
            KeyframesCell::NAME,
            "{$device->name}s have a keyframe every {$most} frames at least; here one comes after {$keyframes->frames}.",
            Remedy::adding($plan, "A keyframe every {$most} frames", KeyframesCell::NAME, ['frames' => $most]),
        );
    }
}
