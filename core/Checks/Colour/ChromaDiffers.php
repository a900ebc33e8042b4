<?php

declare(strict_types=1);

namespace OuterCrate\Checks\Colour;

use OuterCrate\Checks\Check;
use OuterCrate\Checks\Finding;
use OuterCrate\Checks\Remedy;
use OuterCrate\Checks\Severity;
use OuterCrate\Checks\Subject;
use OuterCrate\Planning\Cell;
use OuterCrate\Planning\Plan;

/** The host asks another chroma sampling. */
final class ChromaDiffers implements Check
{
    public function look(Plan $plan, Subject $subject): ?Finding
    {
        $host = $plan->spec->host;
        $asked = $host?->asks->chroma;
        $stored = $plan->colour->pixelFormat->chroma;
        if ($host === null || $asked === null || $stored === $asked || ! $host->asks->takesCodec($plan->picture->codec->id())) {
            return null;
        }
        $codec = $plan->picture->codec;
        $bits = $plan->colour->pixelFormat->bitDepth;

        return new Finding('chroma-differs', Severity::Caution, Cell::Colour, "{$host->name} asks {$asked->value}; this is {$stored->value} in {$bits} bits, which browsers do not play and the host converts first.", new Remedy("Use {$asked->value}", ['picture' => ['codec' => $codec->id(), 'profile' => array_key_first($codec->profiles())], 'colour' => ['chroma' => $asked->value]]));
    }
}
