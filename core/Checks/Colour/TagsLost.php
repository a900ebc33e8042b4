<?php

declare(strict_types=1);

namespace OuterCrate\Checks\Colour;

use OuterCrate\Analysis\Severity;
use OuterCrate\Checks\Findings\Check;
use OuterCrate\Checks\Findings\Finding;
use OuterCrate\Checks\Findings\Remedy;
use OuterCrate\Estimates\SizeEstimate;
use OuterCrate\Formats\Picture\Chroma;
use OuterCrate\Planning\Cells\Colour\ColourCell;
use OuterCrate\Planning\Plan;
use OuterCrate\Planning\Subject;

/** The container keeps no colour tags, so that every player guesses. */
final class TagsLost implements Check
{
    public function look(Plan $plan, Subject $subject, SizeEstimate $estimate): ?Finding
    {
        $container = $plan->container->container;
        $cut = $subject->reading->mainVideo()?->colour;
        if ($container->keepsColour() || $plan->colour->pixelFormat->chroma === Chroma::Rgb || $cut === null || ! $cut->isTagged()) {
            return null;
        }

        return new Finding(
            'tags-lost',
            Severity::Caution,
            ColourCell::NAME,
            "{$container->name()} keeps no colour tags: players guess, and {$cut->label()} of this {$plan->frameSize->frame} "
                .'picture may come back with another gamma or saturation.',
            new Remedy('Use Matroska, which keeps them', ['container' => ['set' => 'matroska']]),
        );
    }
}
