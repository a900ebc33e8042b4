<?php

declare(strict_types=1);

namespace OuterCrate\Planning\Cells\Audio;

use OuterCrate\Json\Fields;
use OuterCrate\Planning\Draft;
use OuterCrate\Planning\PlanImpossible;

/** The gain that brings the sound of a range to the loudness that is asked for. */
final class Levels
{
    /** Most that sound is lifted: beyond it, noise and room come up with the voice. */
    private const MOST_GAIN = 24.0;

    public static function of(Draft $draft, Fields $rule): ?Levelling
    {
        $asked = $draft->host?->asks->audio?->loudness;
        $target = $rule->text('loudness') === 'host' ? $asked?->toFloat() : $rule->float('loudness');
        if ($target === null) {
            return null;
        }
        $ceiling = $rule->float('truePeak') ?? -1.0;
        if (! AudioSchema::loudness()->hold($target) || ! AudioSchema::truePeak()->hold($ceiling)) {
            throw new PlanImpossible(
                AudioCell::NAME,
                'Loudness lies between '.
                    AudioSchema::loudness().
                    ' LUFS, and its true peak between '.
                    AudioSchema::truePeak().
                    ' dBTP. Enter values in those ranges.',
            );
        }
        $found = $draft->subject->found;
        $video = $draft->cutVideo;
        $whole = $draft->range->count() >= $draft->reading->length();
        $loudness =
            $found === null || $whole
                ? $found?->loudness
                : $found->loudnessBetween(
                    $video->frameRate->secondsOf($draft->range->first)->toFloat(),
                    $video->frameRate->secondsOf($draft->range->last + 1)->toFloat(),
                );
        $gain = $loudness === null ? null : round(max(-self::MOST_GAIN, min(self::MOST_GAIN, $target - $loudness)), 1);

        return new Levelling($target, $ceiling, $gain, $gain !== null && ($found->truePeak ?? 0.0) + $gain > $ceiling);
    }
}
