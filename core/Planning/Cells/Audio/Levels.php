<?php

declare(strict_types=1);

namespace OuterCrate\Planning\Cells\Audio;

use OuterCrate\Json\Fields;
use OuterCrate\Planning\Draft;
use OuterCrate\Planning\PlanImpossible;
use OuterCrate\Planning\Values\Levelling;

/** The gain that brings the sound of a range to the loudness that is asked for. */
final class Levels
{
    /**
     * @param  int  $channels  that are delivered
     * @param  float  $headroom  dB by which a mix of them is lowered
     */
    public static function of(Draft $draft, Fields $rule, int $channels, float $headroom): ?Levelling
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
        $level = $draft->subject->found?->soundOf($draft->reading->mainAudio()->channels ?? 2, $channels, $headroom);
        $video = $draft->cutVideo;
        $loudness = $draft->range->count() >= $draft->reading->length()
            ? $level?->integrated
            : $level?->between(
                $video->frameRate->secondsOf($draft->range->first)->toFloat(),
                $video->frameRate->secondsOf($draft->range->last + 1)->toFloat(),
            );

        return (new Levelling($target, $ceiling))->for($loudness, $level?->truePeak);
    }
}
