<?php

namespace App\Packing;

use App\Media\DriveProbe;
use App\Models\Run;
use App\Work\Postponed;

/** Has a run wait for a drive that does not answer, in place of waiting in its hands until it does: nobody ends what hangs there. */
class DriveAnswers
{
    /** Seconds until it is asked again. */
    private const PAUSE = 30;

    public function __construct(private readonly DriveProbe $drives)
    {
    }

    /** @throws Postponed while what the run reads or writes may hang */
    public function need(Run $run): void
    {
        foreach ([dirname($run->file), dirname($run->source)] as $place) {
            $this->drives->answers($place) ?: $this->wait(mb_scrub($place));
        }
        StuckEngine::isThere($run->id) && $this->wait('its engine is not back from there');
    }

    private function wait(string $for): never
    {
        throw new Postponed(
            "It waits for a drive that does not answer: {$for}. See to the drive, or to its network, and it goes on by itself.",
            self::PAUSE,
        );
    }
}
