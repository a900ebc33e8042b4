<?php

declare(strict_types=1);

namespace OuterCrate\Checks\Video;

use OuterCrate\Analysis\Severity;
use OuterCrate\Checks\Findings\Check;
use OuterCrate\Checks\Findings\Finding;
use OuterCrate\Checks\Findings\Remedy;
use OuterCrate\Estimates\SizeEstimate;
use OuterCrate\Planning\Cells\Video\VideoCell;
use OuterCrate\Planning\Plan;
use OuterCrate\Planning\Subject;

/** The graphics chip codes quickly and spends more bits for the same picture, or was asked for and is not there. */
final class HardwareTrade implements Check
{
    public function look(Plan $plan, Subject $subject, SizeEstimate $estimate): ?Finding
    {
        if ($plan->video->hardware !== null) {
            return new Finding(
                'hardware-trade',
                Severity::Note,
                VideoCell::NAME,
                "The graphics chip ({$plan->video->hardware}) is many times as fast, in 1 pass, and needs about a third more bits "
                    .'than software for the same picture. For an upload that a host compresses again, software is worth the wait.',
                Remedy::adding($plan, 'Use software', VideoCell::NAME, ['device' => 'software']),
            );
        }

        return $plan->wishes(VideoCell::NAME, 'device') !== 'hardware'
            ? null
            : new Finding(
                'no-hardware',
                Severity::Note,
                VideoCell::NAME,
                "0 of the graphics chip’s encoders for {$plan->video->codec->name()} work on this machine, so it is made in software.",
                Remedy::adding($plan, 'Use software', VideoCell::NAME, ['device' => 'software']),
            );
    }
}
