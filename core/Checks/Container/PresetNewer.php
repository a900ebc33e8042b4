<?php

declare(strict_types=1);

namespace OuterCrate\Checks\Container;

use OuterCrate\Analysis\Severity;
use OuterCrate\Checks\Findings\Check;
use OuterCrate\Checks\Findings\Finding;
use OuterCrate\Checks\Findings\ForSoundToo;
use OuterCrate\Checks\Findings\Remedy;
use OuterCrate\Estimates\SizeEstimate;
use OuterCrate\Planning\Cells\Container\ContainerCell;
use OuterCrate\Planning\Plan;
use OuterCrate\Planning\Subject;

/** The preset was saved anew since the output took it. The output keeps the rules that it has until it is told otherwise. */
final class PresetNewer implements Check, ForSoundToo
{
    public function look(Plan $plan, Subject $subject, SizeEstimate $estimate): ?Finding
    {
        $newer = $plan->spec->changed?->newerPreset;
        $preset = $plan->spec->preset;

        return $newer === null
            ? null
            : new Finding(
                'preset-newer',
                Severity::Note,
                ContainerCell::NAME,
                "“{$preset->name}” is at version {$newer}; this output keeps the rules of version {$preset->version}.",
                new Remedy("Take version {$newer}", [], $preset->slug),
            );
    }
}
