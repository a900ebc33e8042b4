<?php

declare(strict_types=1);

namespace OuterCrate\Checks\Video;

use OuterCrate\Analysis\Severity;
use OuterCrate\Checks\Findings\Check;
use OuterCrate\Checks\Findings\Finding;
use OuterCrate\Estimates\SizeEstimate;
use OuterCrate\Planning\Cells\Video\VideoCell;
use OuterCrate\Planning\Plan;
use OuterCrate\Planning\Subject;

/** The codec cannot carry a frame of this size or rate at all. */
final class CodecRefusesFrame implements Check
{
    public function look(Plan $plan, Subject $subject, SizeEstimate $estimate): ?Finding
    {
        $reason = $plan->video->codec->refuses($plan->video->profile, $plan->frameSize->frame, $plan->frameRate->rate);

        return $reason === null
            ? null
            : new Finding(
                'codec-refuses-frame',
                Severity::Stop,
                VideoCell::NAME,
                $reason,
                $plan->spec->edits->has('video') ? Finding::putBack(VideoCell::NAME, 'Put the preset’s codec back') : null,
            );
    }
}
