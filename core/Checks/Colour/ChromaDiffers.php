<?php

declare(strict_types=1);

namespace OuterCrate\Checks\Colour;

use OuterCrate\Analysis\Severity;
use OuterCrate\Checks\Findings\Check;
use OuterCrate\Checks\Findings\Finding;
use OuterCrate\Checks\Findings\Remedy;
use OuterCrate\Estimates\SizeEstimate;
use OuterCrate\Planning\Cells\Colour\ColourCell;
use OuterCrate\Planning\Plan;
use OuterCrate\Planning\Subject;

/** The host asks another chroma sampling. */
final class ChromaDiffers implements Check
{
    public function look(Plan $plan, Subject $subject, SizeEstimate $estimate): ?Finding
    {
        $host = $plan->spec->host;
        $asked = $host?->asks->colour->chroma;
        $stored = $plan->colour->pixelFormat->chroma;
        $width = $plan->frameSize->frame->width;
        if ($host === null || $asked === null || $stored === $asked || ! $host->asks->takesCodec($plan->video->codec->id(), $width)) {
            return null;
        }
        $codec = $plan->video->codec;
        $bits = $plan->colour->pixelFormat->bitDepth;

        return new Finding(
            'chroma-differs',
            Severity::Caution,
            ColourCell::NAME,
            "{$host->name} asks {$asked->value}; this is {$stored->value} in {$bits} bits, which browsers do not play and the host "
                .'converts first.',
            new Remedy("Use {$asked->value}", [
                'video' => ['codec' => $codec->id(), 'profile' => array_key_first($codec->profiles())],
                'colour' => ['chroma' => $asked->value],
            ]),
        );
    }
}
