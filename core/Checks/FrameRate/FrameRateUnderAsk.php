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
use OuterCrate\Units\FrameRate;

/** The host keeps its HD sizes from rates this low, or takes other rates only. */
final class FrameRateUnderAsk implements Check
{
    public function look(Plan $plan, Subject $subject): ?Finding
    {
        $asks = $plan->spec->host?->asks;
        if ($asks === null) {
            return null;
        }
        $rate = $plan->frameRate->rate;
        $tooLow = $asks->minimumRate !== null && $plan->frameSize->frame->shorterSide() >= 720
            && $rate->perSecond->times(1001)->over(1000)->compare($asks->minimumRate->perSecond) < 0;
        $notTaken = $asks->allowedRates !== [] && ! $this->taken($rate, $asks->allowedRates);
        if (! $tooLow && ! $notTaken) {
            return null;
        }
        $wanted = $tooLow ? 'at least '.$asks->minimumRate->label() : implode(' or ', array_map(static fn (FrameRate $r): string => $r->label(), $asks->allowedRates));
        $nearest = $notTaken ? $asks->allowedRates[0] : null;

        return new Finding(
            'frame-rate-under-ask',
            Severity::Caution,
            Cell::FrameRate,
            "{$plan->spec->host->name} asks {$wanted} fps for {$plan->frameSize->frame}; this output has {$rate->label()}.",
            $nearest === null ? new Remedy('Lift the rate by whole multiples', ['frameRate' => 'follow']) : new Remedy("Convert to {$nearest->label()} fps", ['frameRate' => ['exact' => (string) $nearest]]),
        );
    }

    /** @param  list<FrameRate>  $allowed */
    private function taken(FrameRate $rate, array $allowed): bool
    {
        foreach ($allowed as $candidate) {
            // NTSC rates lie 0.1 % under the whole number and pass for it.
            if (abs($rate->perSecond->toFloat() / $candidate->perSecond->toFloat() - 1) < 0.0015) {
                return true;
            }
        }

        return false;
    }
}
