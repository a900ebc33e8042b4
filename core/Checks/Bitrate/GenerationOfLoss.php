<?php

declare(strict_types=1);

namespace OuterCrate\Checks\Bitrate;

use OuterCrate\Analysis\Severity;
use OuterCrate\Checks\Findings\Check;
use OuterCrate\Checks\Findings\Finding;
use OuterCrate\Estimates\SizeEstimate;
use OuterCrate\Formats\KnownCodecs;
use OuterCrate\Planning\Cells\Video\VideoCell;
use OuterCrate\Planning\Plan;
use OuterCrate\Planning\Subject;
use OuterCrate\Presets\Role;
use OuterCrate\Units\ByteCount;

/** The cut is itself a small lossy file: a large intermediate of it is large and no better. */
final class GenerationOfLoss implements Check
{
    private const TIMES = 5.0;

    public function look(Plan $plan, Subject $subject, SizeEstimate $estimate): ?Finding
    {
        $video = $subject->reading->mainVideo();
        $bytes = $estimate->bytes;
        $share = $video === null ? 1 : $plan->range->count() / max(1, $subject->reading->length());
        $times = $bytes / max(1, $subject->reading->bytes * $share);
        if (
            $video === null ||
            $plan->spec->preset->role !== Role::Master ||
            ! KnownCodecs::facts($video->codec)->isForDelivery ||
            $times < self::TIMES
        ) {
            return null;
        }

        return new Finding(
            'generation-of-loss',
            Severity::Note,
            VideoCell::NAME,
            "The cut is already {$video->label()} at {$subject->reading->videoBitrate()}. A master of about ".
                new ByteCount($bytes).
                ', '.
                round($times).
                ' times its size, keeps what is there and cannot bring back what was lost.',
        );
    }
}
