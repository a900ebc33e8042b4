<?php

declare(strict_types=1);

namespace OuterCrate\Checks\Container;

use OuterCrate\Analysis\Severity;
use OuterCrate\Checks\Findings\Check;
use OuterCrate\Checks\Findings\Finding;
use OuterCrate\Checks\Findings\ForSoundToo;
use OuterCrate\Estimates\SizeEstimate;
use OuterCrate\Planning\Cells\Container\ContainerCell;
use OuterCrate\Planning\Plan;
use OuterCrate\Planning\Subject;

/** The preset was taken away since the output took it. The output goes on with the rules that it has. */
final class PresetAway implements Check, ForSoundToo
{
    public function look(Plan $plan, Subject $subject, SizeEstimate $estimate): ?Finding
    {
        $preset = $plan->spec->preset;

        return $plan->spec->changed?->presetAway !== true
            ? null
            : new Finding(
                'preset-away',
                Severity::Note,
                ContainerCell::NAME,
                "“{$preset->name}” was taken away. This output keeps the rules of its version {$preset->version}.",
            );
    }
}
