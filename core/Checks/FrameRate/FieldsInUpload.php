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
use OuterCrate\Presets\Role;

/** An upload keeps fields, and hosts show them as combs or throw one away. */
final class FieldsInUpload implements Check
{
    public function look(Plan $plan, Subject $subject, SizeEstimate $estimate): ?Finding
    {
        if (! $plan->frameRate->scan->isInterlaced() || $plan->spec->preset->role !== Role::Upload) {
            return null;
        }

        return new Finding(
            'fields-in-upload',
            Severity::Caution,
            FrameRateCell::NAME,
            "The upload keeps 2 fields in each of its {$plan->frameRate->rate->label()} frames a second: moving edges turn to "
                .'combs on screens, or the host drops every other line.',
            Remedy::adding($plan, 'Make it progressive', FrameRateCell::NAME, ['fields' => 'interpolate']),
        );
    }
}
