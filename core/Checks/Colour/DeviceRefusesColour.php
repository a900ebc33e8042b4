<?php

declare(strict_types=1);

namespace OuterCrate\Checks\Colour;

use OuterCrate\Analysis\Severity;
use OuterCrate\Checks\Findings\Check;
use OuterCrate\Checks\Findings\Finding;
use OuterCrate\Checks\Findings\Remedy;
use OuterCrate\Estimates\SizeEstimate;
use OuterCrate\Planning\Cells\Colour\ColourCell;
use OuterCrate\Planning\Plan;
use OuterCrate\Planning\Subject;

/** A player takes every picture for one of some colour spaces. */
final class DeviceRefusesColour implements Check
{
    public function look(Plan $plan, Subject $subject, SizeEstimate $estimate): ?Finding
    {
        $device = $plan->spec->preset->device;
        if ($device === null) {
            return null;
        }
        foreach ($device->colours as $space) {
            if ($space->colour()->showsLike($plan->colour->colour)) {
                return null;
            }
        }
        $space = $device->colours[0];

        return new Finding(
            'device-refuses-colour',
            Severity::Stop,
            ColourCell::NAME,
            "{$device->name}s are shown as {$space->label()} whatever the file says; this would be {$plan->colour->colour->label()}.",
            Remedy::adding($plan, "Convert it to {$space->label()}", ColourCell::NAME, ['convert' => $space->value]),
        );
    }
}
