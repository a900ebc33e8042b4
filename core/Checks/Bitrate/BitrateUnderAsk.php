<?php

declare(strict_types=1);

namespace OuterCrate\Checks\Bitrate;

use OuterCrate\Analysis\Severity;
use OuterCrate\Analysis\TestedUpload;
use OuterCrate\Checks\Findings\Check;
use OuterCrate\Checks\Findings\Evidence;
use OuterCrate\Checks\Findings\Finding;
use OuterCrate\Checks\Findings\Remedy;
use OuterCrate\Estimates\SizeEstimate;
use OuterCrate\Planning\Cells\Bitrate\BitrateCell;
use OuterCrate\Planning\Plan;
use OuterCrate\Planning\Subject;

/** The average lies under what the host asks: its encoder gets less than it was built for. */
final class BitrateUnderAsk implements Check
{
    public function look(Plan $plan, Subject $subject, SizeEstimate $estimate): ?Finding
    {
        $asked = $plan->askedAverage();
        $average = $plan->bitrate->average;
        if ($asked === null || $average === null || ! $asked->isAbove($average)) {
            return null;
        }

        $evidence = Evidence::of($plan, $subject);
        // The smallest of those that give what is asked, but for the 3 % that two passes land within.
        $enough = array_values(array_filter(
            $evidence?->ofTheSameKind() ?? [],
            static fn (TestedUpload $other): bool => 1.03 * ($other->average->bitsPerSecond ?? 0) >= $asked->bitsPerSecond,
        ))[0] ?? null;
        $loses = $enough === null || $evidence?->over($enough)->isCertain() !== false;

        return new Finding(
            'bitrate-under-ask',
            $loses ? Severity::Caution : Severity::Note,
            BitrateCell::NAME,
            "The average of {$average} lies under the {$asked} that {$plan->spec->host?->name} asks for {$plan->frameSize->frame} "
                ."at {$plan->frameRate->rate->label()} fps. ".match (true) {
                    $evidence === null || $enough === null => 'It recompresses what it gets, so the loss is paid twice.',
                    $loses => "{$evidence->source()}: {$enough->average} leaves {$evidence->ofOtherInWords($enough)}.",
                    default => "{$evidence->source()}: {$enough->average} leaves no more that could be told, "
                        ."{$evidence->ofOtherInWords($enough)}.",
                },
            new Remedy("Raise the average to {$asked}", ['bitrate' => ['average' => ['timesAsk' => 1], 'peak' => ['timesAverage' => 1.5]]]),
        );
    }
}
