<?php

declare(strict_types=1);

namespace OuterCrate\Planning\Decisions;

use OuterCrate\Json\Fields;
use OuterCrate\Planning\Cell;
use OuterCrate\Planning\Draft;
use OuterCrate\Planning\PlanImpossible;
use OuterCrate\Planning\Values\Levelling;

/** The gain that brings the sound of a range to the loudness that is asked for. */
final class Levels
{
    /** Most that sound is lifted: beyond it, noise and room come up with the voice. */
    private const MOST_GAIN = 24.0;

    public static function of(Draft $draft, Fields $rule): ?Levelling
    {
        $asked = $draft->host->asks->sound['loudness'] ?? null;
        $target = $rule->text('loudness') === 'host' ? $asked?->toFloat() : $rule->float('loudness');
        if ($target === null) {
            return null;
        }
        $ceiling = $rule->float('truePeak') ?? -1.0;
        if ($target < -40 || $target > -5 || $ceiling < -10 || $ceiling > 0) {
            throw new PlanImpossible(Cell::Sound, 'Loudness lies between −40 and −5 LUFS, and its true peak between −10 and 0 dBTP. Enter values in those ranges.');
        }
        $found = $draft->subject->found;
        $video = $draft->video;
        $whole = $draft->range->count() >= $draft->reading->length();
        $loudness = $found === null || $whole ? $found?->loudness : $found->loudnessBetween(
            $video->frameRate->secondsOf($draft->range->first)->toFloat(),
            $video->frameRate->secondsOf($draft->range->last + 1)->toFloat(),
        );
        $gain = $loudness === null ? null : round(max(-self::MOST_GAIN, min(self::MOST_GAIN, $target - $loudness)), 1);

        return new Levelling($target, $ceiling, $gain, $gain !== null && ($found->truePeak ?? 0.0) + $gain > $ceiling);
    }
}
