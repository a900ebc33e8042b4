<?php

declare(strict_types=1);

namespace OuterCrate\Checks\Sound;

use OuterCrate\Checks\Check;
use OuterCrate\Checks\Finding;
use OuterCrate\Checks\Remedy;
use OuterCrate\Checks\Severity;
use OuterCrate\Checks\Subject;
use OuterCrate\Planning\Cell;
use OuterCrate\Planning\Plan;
use OuterCrate\Presets\Role;
use OuterCrate\Units\Bitrate;

/** An upload with uncompressed sound sends more than the host keeps. */
final class SoundUncompressed implements Check
{
    public function look(Plan $plan, Subject $subject): ?Finding
    {
        $codec = $plan->sound->codec;
        $asked = $plan->spec->host?->asks->sound;
        if ($codec === null || $codec->hasRate() || $plan->spec->preset->role !== Role::Upload) {
            return null;
        }
        $rate = new Bitrate(max(1, $plan->sound->bitsPerSecond()));

        return new Finding('sound-uncompressed', Severity::Caution, Cell::Sound, "{$codec->name()} takes {$rate} for the sound; the host compresses it to a few hundred kb/s in any case.", $asked === null ? new Remedy('Use AAC 320 kb/s', ['sound' => ['codec' => 'aac', 'kbps' => 320]]) : new Remedy("Use what it asks: {$asked['bitrate']}", ['sound' => 'host']));
    }
}
