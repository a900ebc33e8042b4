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

/** The host names the frame rates it takes, and this is none of them. */
final class RateNotAllowed implements Check
{
    public function look(Plan $plan, Subject $subject): ?Finding
    {
        $host = $plan->spec->host;
        $rate = $plan->frameRate->rate;
        $allowed = $host->asks->allowedRates ?? [];
        foreach ($allowed as $one) {
            // 29.97 passes for 30: NTSC rates lie 0.1 % under the whole number.
            if (abs($rate->perSecond->toFloat() / $one->perSecond->toFloat() - 1) < 0.0011) {
                return null;
            }
        }
        if ($host === null || $allowed === []) {
            return null;
        }
        usort($allowed, static fn ($a, $b): int => abs($a->perSecond->toFloat() - $rate->perSecond->toFloat()) <=> abs($b->perSecond->toFloat() - $rate->perSecond->toFloat()));

        return new Finding('rate-not-allowed', Severity::Caution, Cell::FrameRate, "{$host->name} takes ".implode(' or ', array_map(static fn ($one): string => $one->label(), $host->asks->allowedRates))." fps, and this is {$rate->label()}. It will drop or repeat frames in its own way.", new Remedy("{$allowed[0]->label()} fps, blended", ['frameRate' => ['exact' => (string) $allowed[0], 'by' => 'blend']]));
    }
}
