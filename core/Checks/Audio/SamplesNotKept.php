<?php

declare(strict_types=1);

namespace OuterCrate\Checks\Audio;

use OuterCrate\Analysis\Severity;
use OuterCrate\Checks\Findings\Check;
use OuterCrate\Checks\Findings\Finding;
use OuterCrate\Checks\Findings\ForSoundToo;
use OuterCrate\Checks\Findings\Remedy;
use OuterCrate\Estimates\SizeEstimate;
use OuterCrate\Planning\Cells\Audio\AudioCell;
use OuterCrate\Planning\Plan;
use OuterCrate\Planning\Subject;

/** Samples are asked for that codec or container do not carry: others are made. */
final class SamplesNotKept implements Check, ForSoundToo
{
    public function look(Plan $plan, Subject $subject, SizeEstimate $estimate): ?Finding
    {
        $codec = $plan->audio->codec;
        $asked = $plan->rules->fields(AudioCell::NAME);
        [$depth, $rate] = [$asked->int('bitDepth'), $asked->int('sampleRate')];
        $isLess = $codec !== null && ! $codec->hasRate() && $depth !== null && $depth !== $plan->audio->bitDepth;
        $isOther = $codec !== null && $rate !== null && $rate !== $plan->audio->sampleRate;
        if ($codec === null || (! $isLess && ! $isOther)) {
            return null;
        }
        $container = $plan->container->container;
        $holder = ($isLess ? $container->bitDepths() : $container->sampleRates()) === [] ? $codec->name() : $container->name();
        $samples = $isLess ? "samples of {$depth} bits" : "{$rate} samples a second";
        $made = $isLess ? "{$plan->audio->bitDepth} bits" : "{$plan->audio->sampleRate}";
        $parts = ['bitDepth' => $isLess ? $plan->audio->bitDepth : $depth, 'sampleRate' => $isOther ? $plan->audio->sampleRate : $rate];

        return new Finding(
            'samples-not-kept',
            Severity::Caution,
            AudioCell::NAME,
            "{$holder} does not carry {$samples} here: {$made} are made.",
            Remedy::adding($plan, "Ask for {$made}", AudioCell::NAME, $parts),
        );
    }
}
