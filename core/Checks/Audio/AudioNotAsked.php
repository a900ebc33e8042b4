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
use OuterCrate\Reading\AudioReading;
use OuterCrate\Reading\CodecNames;
use OuterCrate\Units\Fraction;

/** Codec, sample rate, channels or rate of the sound are not what the host asks. */
final class AudioNotAsked implements Check
{
    public function look(Plan $plan, Subject $subject, SizeEstimate $estimate): ?Finding
    {
        $host = $plan->spec->host;
        $asked = $host?->asks->audio;
        $sound = $plan->audio;
        if ($host === null || $asked === null || $sound->codec === null || ! $sound->codec->hasRate()) {
            return null;
        }
        $differs = array_filter([
            $sound->codec->id() === $asked->codec ? null : CodecNames::codec($asked->codec)." and not {$sound->codec->name()}",
            $sound->sampleRate === $asked->sampleRate
                ? null
                : AudioReading::kilohertz($asked->sampleRate).' and not '.AudioReading::kilohertz($sound->sampleRate),
            $sound->channels <= $asked->channels ? null : "{$asked->channels} channels and not {$sound->channels}",
            $sound->bitrate === null ||
            ! $asked->bitrate
                ->times(new Fraction($sound->channels, max(2, $asked->channels)))
                ->times(new Fraction(49, 50))
                ->isAbove($sound->bitrate)
                ? null
                : "{$asked->bitrate} and not {$sound->bitrate}",
        ]);
        if ($differs === []) {
            return null;
        }

        return new Finding(
            'audio-not-asked',
            Severity::Caution,
            AudioCell::NAME,
            "{$host->name} asks ".implode(', ', $differs).' for the sound; it would convert it first.',
            new Remedy('Use what it asks', ['audio' => 'host']),
        );
    }
}
