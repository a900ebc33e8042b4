<?php

declare(strict_types=1);

namespace OuterCrate\Checks\Audio;

use OuterCrate\Analysis\Severity;
use OuterCrate\Checks\Findings\Check;
use OuterCrate\Checks\Findings\Finding;
use OuterCrate\Checks\Findings\Remedy;
use OuterCrate\Estimates\SizeEstimate;
use OuterCrate\Planning\Cells\Audio\AudioCell;
use OuterCrate\Planning\Plan;
use OuterCrate\Planning\Subject;
use OuterCrate\Presets\Role;
use OuterCrate\Units\Bitrate;

/** An upload with uncompressed sound sends more than the host keeps. */
final class AudioUncompressed implements Check
{
    public function look(Plan $plan, Subject $subject, SizeEstimate $estimate): ?Finding
    {
        $codec = $plan->audio->codec;
        $asked = $plan->spec->host?->asks->audio;
        if ($codec === null || $codec->hasRate() || $plan->spec->preset->role !== Role::Upload) {
            return null;
        }
        $rate = new Bitrate(max(1, $plan->audio->bitsPerSecond()));

        return new Finding(
            'audio-uncompressed',
            Severity::Caution,
            AudioCell::NAME,
            "{$codec->name()} takes {$rate} for the sound; the host compresses it to a few hundred kb/s in any case.",
            $asked === null
                ? new Remedy('Use AAC 320 kb/s', ['audio' => ['codec' => 'aac', 'kbps' => 320]])
                : new Remedy("Use what it asks: {$asked->bitrate}", ['audio' => 'host']),
        );
    }
}
