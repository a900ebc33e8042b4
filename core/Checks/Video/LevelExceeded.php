<?php

declare(strict_types=1);

namespace OuterCrate\Checks\Video;

use OuterCrate\Analysis\Severity;
use OuterCrate\Checks\Findings\Check;
use OuterCrate\Checks\Findings\Finding;
use OuterCrate\Checks\Findings\Remedy;
use OuterCrate\Estimates\SizeEstimate;
use OuterCrate\Formats\Video\LevelNeeds;
use OuterCrate\Planning\Cells\Video\VideoCell;
use OuterCrate\Planning\Plan;
use OuterCrate\Planning\Subject;

/** A level was fixed that does not hold the stream: a decoder built for it fails. */
final class LevelExceeded implements Check
{
    public function look(Plan $plan, Subject $subject, SizeEstimate $estimate): ?Finding
    {
        $picture = $plan->video;
        if ($picture->level === null) {
            return null;
        }
        $needs = new LevelNeeds(
            $plan->frameSize->frame,
            $plan->frameRate->rate,
            $plan->bitrate->peak ?? $plan->bitrate->average,
            $plan->keyframes->references ?? 0,
        );
        $limit = $picture->codec->exceeds($picture->level, $picture->profile, $needs);
        if ($limit === null) {
            return null;
        }
        $lowest = $picture->codec->level($picture->profile, $needs);
        $edit = $plan->spec->edits->rules['video'] ?? [];

        return new Finding(
            'level-exceeded',
            Severity::Stop,
            VideoCell::NAME,
            "Level {$picture->level} of {$picture->name()} does not hold {$limit}.",
            $lowest === null ? null : new Remedy("Use level {$lowest}", ['video' => ['level' => null] + (is_array($edit) ? $edit : [])]),
        );
    }
}
