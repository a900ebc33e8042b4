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

/** A track has more channels than the audio codec carries. */
final class CodecRefusesChannels implements Check, ForSoundToo
{
    public function look(Plan $plan, Subject $subject, SizeEstimate $estimate): ?Finding
    {
        $codec = $plan->audio->codec;
        $channels = max([0, ...$plan->audio->tracks]);
        if ($codec === null || $channels <= $codec->mostChannels()) {
            return null;
        }

        return new Finding(
            'codec-refuses-channels',
            Severity::Stop,
            AudioCell::NAME,
            "{$codec->name()} carries at most {$codec->mostChannels()} channels in a track, and not {$channels}.",
            Remedy::adding(
                $plan,
                "Mix them down to {$codec->mostChannels()}",
                AudioCell::NAME,
                ['channels' => $codec->mostChannels()],
            ),
        );
    }
}
