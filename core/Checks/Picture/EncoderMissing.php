<?php

declare(strict_types=1);

namespace OuterCrate\Checks\Picture;

use OuterCrate\Checks\Check;
use OuterCrate\Checks\Finding;
use OuterCrate\Checks\ForSoundToo;
use OuterCrate\Checks\Severity;
use OuterCrate\Checks\Subject;
use OuterCrate\Encoding\Encoders;
use OuterCrate\Planning\Cell;
use OuterCrate\Planning\Plan;

/** The engine on this machine was built without the encoder. */
final class EncoderMissing implements Check, ForSoundToo
{
    public function __construct(private readonly Encoders $encoders)
    {
    }

    public function look(Plan $plan, Subject $subject): ?Finding
    {
        $needed = $plan->hasPicture() ? [$this->encoders->forPicture($plan->picture)->encoder($plan->picture)] : [];
        if ($plan->sound->codec !== null) {
            $needed[] = $this->encoders->audio($plan->sound->codec->id())->encoder($plan->sound);
        }
        $missing = $subject->encoders === null ? [] : array_diff($needed, $subject->encoders);
        if ($missing === []) {
            return null;
        }

        return new Finding('encoder-missing', Severity::Stop, Cell::Picture, 'The engine on this machine has no '.implode(' and no ', $missing).'. Install the full ffmpeg package, or choose another codec.');
    }
}
