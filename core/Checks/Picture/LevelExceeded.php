<?php

declare(strict_types=1);

namespace OuterCrate\Checks\Picture;

use OuterCrate\Checks\Check;
use OuterCrate\Checks\Finding;
use OuterCrate\Checks\Remedy;
use OuterCrate\Checks\Severity;
use OuterCrate\Checks\Subject;
use OuterCrate\Formats\Video\LevelNeeds;
use OuterCrate\Planning\Cell;
use OuterCrate\Planning\Plan;

/** A level was fixed that does not hold the stream: a decoder built for it fails. */
final class LevelExceeded implements Check
{
    public function look(Plan $plan, Subject $subject): ?Finding
    {
        $picture = $plan->picture;
        if ($picture->level === null) {
            return null;
        }
        $needs = new LevelNeeds($plan->frameSize->frame, $plan->frameRate->rate, $plan->rate->peak ?? $plan->rate->average, $plan->keyframes->references ?? 0);
        $limit = $picture->codec->exceeds($picture->level, $picture->profile, $needs);
        if ($limit === null) {
            return null;
        }
        $lowest = $picture->codec->level($picture->profile, $needs);
        $edit = $plan->spec->edits->rules['picture'] ?? [];

        return new Finding(
            'level-exceeded',
            Severity::Stop,
            Cell::Picture,
            "Level {$picture->level} of {$picture->name()} does not hold {$limit}.",
            $lowest === null ? null : new Remedy("Use level {$lowest}", ['picture' => ['level' => null] + (is_array($edit) ? $edit : [])]),
        );
    }
}
