<?php

declare(strict_types=1);

namespace OuterCrate\Planning;

use OuterCrate\Reading\AudioReading;
use OuterCrate\Reading\CodecNames;

/** What a plan's host asks, cell by cell and in a few words, for a picture of this size and rate. */
final class AskedOf
{
    /** @return array<string, string> by cell; a cell of which the host says nothing is left out */
    public static function plan(Plan $plan): array
    {
        $asks = $plan->spec->host?->asks;
        if ($asks === null) {
            return [];
        }
        $frame = $plan->frameSize->frame;
        $codec = $asks->codecFor($frame->width);
        $average = $plan->askedAverage();
        $peak = $asks->row($frame)?->peak;
        $rates = array_map(static fn ($rate): string => $rate->label(), $asks->allowedRates);
        $sound = $asks->sound;

        return array_filter([
            Cell::Container->value => implode(' or ', array_map(strtoupper(...), $asks->containers)).($asks->fastStart ? ', fast start' : ''),
            Cell::Picture->value => $codec === null ? '' : CodecNames::codec($codec['codec']).($codec['profile'] === null ? '' : ' '.ucfirst($codec['profile'])),
            Cell::FrameSize->value => implode(', ', array_filter([
                $asks->shape === null ? null : "{$asks->shape->numerator}:{$asks->shape->denominator}",
                $asks->mostFrame === null ? null : "at most {$asks->mostFrame}",
                $asks->projection,
            ])),
            Cell::FrameRate->value => $rates !== [] ? implode(' or ', $rates) : ($asks->minimumRate !== null && $frame->shorterSide() >= 720 ? "≥ {$asks->minimumRate->label()}" : ''),
            Cell::Rate->value => $average === null ? '' : $average.($peak === null ? '' : ", at most {$peak}"),
            Cell::Keyframes->value => implode(', ', array_filter([
                $asks->keyframeSeconds === null ? null : "every {$asks->keyframeSeconds->toFloat()} s",
                $asks->closedGop ? 'closed' : null,
                $asks->mostBFrames === null ? null : "≤ {$asks->mostBFrames} B",
                $asks->pyramid ? null : 'no pyramid',
            ])),
            Cell::Colour->value => $asks->chroma === null ? '' : $asks->chroma->value,
            Cell::Sound->value => $sound === null ? '' : CodecNames::codec($sound['codec'])." {$sound['bitrate']}, ".AudioReading::kilohertz($sound['sampleRate'])
                .($sound['loudness'] === null ? '' : ', '.str_replace('-', '−', (string) $sound['loudness']).' LUFS'),
        ], static fn (string $text): bool => $text !== '');
    }
}
