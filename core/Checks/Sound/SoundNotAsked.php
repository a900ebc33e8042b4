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
use OuterCrate\Reading\AudioReading;
use OuterCrate\Reading\CodecNames;
use OuterCrate\Units\Fraction;

/** Codec, sample rate, channels or rate of the sound are not what the host asks. */
final class SoundNotAsked implements Check
{
    public function look(Plan $plan, Subject $subject): ?Finding
    {
        $host = $plan->spec->host;
        $asked = $host?->asks->sound;
        $sound = $plan->sound;
        if ($host === null || $asked === null || $sound->codec === null || ! $sound->codec->hasRate()) {
            return null;
        }
        $differs = array_filter([
            $sound->codec->id() === $asked['codec'] ? null : CodecNames::codec($asked['codec'])." and not {$sound->codec->name()}",
            $sound->sampleRate === $asked['sampleRate'] ? null : AudioReading::kilohertz($asked['sampleRate']).' and not '.AudioReading::kilohertz($sound->sampleRate),
            $sound->channels <= $asked['channels'] ? null : "{$asked['channels']} channels and not {$sound->channels}",
            $sound->bitrate === null || ! $asked['bitrate']->times(new Fraction($sound->channels, max(2, $asked['channels'])))->times(new Fraction(49, 50))->isAbove($sound->bitrate) ? null : "{$asked['bitrate']} and not {$sound->bitrate}",
        ]);
        if ($differs === []) {
            return null;
        }

        return new Finding('sound-not-asked', Severity::Caution, Cell::Sound, "{$host->name} asks ".implode(', ', $differs).' for the sound; it would convert it first.', new Remedy('Use what it asks', ['sound' => 'host']));
    }
}
