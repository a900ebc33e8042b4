<?php

declare(strict_types=1);

namespace OuterCrate\Checks\Video;

use OuterCrate\Analysis\Severity;
use OuterCrate\Checks\Findings\Check;
use OuterCrate\Checks\Findings\Finding;
use OuterCrate\Checks\Findings\ForSoundToo;
use OuterCrate\Encoding\Encoders;
use OuterCrate\Estimates\SizeEstimate;
use OuterCrate\Planning\Cells\Video\VideoCell;
use OuterCrate\Planning\Plan;
use OuterCrate\Planning\Subject;

/** The engine on this machine was built without the encoder. */
final class EncoderMissing implements Check, ForSoundToo
{
    public function __construct(private readonly Encoders $encoders)
    {
    }

    public function look(Plan $plan, Subject $subject, SizeEstimate $estimate): ?Finding
    {
        $needed = $plan->hasVideo() ? [$this->encoders->forVideo($plan->video)->encoder($plan->video)] : [];
        if ($plan->audio->codec !== null) {
            $needed[] = $this->encoders->audio($plan->audio->codec->id())->encoder($plan->audio);
        }
        $missing = $subject->encoders === null ? [] : array_diff($needed, $subject->encoders);
        if ($missing === []) {
            return null;
        }

        return new Finding(
            'encoder-missing',
            Severity::Stop,
            VideoCell::NAME,
            'The engine on this machine has no '.
                implode(' and no ', $missing).
                '. Install the full ffmpeg package, or choose another codec.',
        );
    }
}
