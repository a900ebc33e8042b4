<?php

namespace App\Packing\Run;

use App\Media\DriveProbe;
use App\Models\Run;
use App\Work\Postponed;

/** Has a run wait for a drive that does not answer, in place of waiting in its hands until it does: nobody ends what hangs there. */
class DriveAnswers
{
    public function __construct(private readonly DriveProbe $drives)
    {
    }

    /** @throws Postponed while what the run reads or writes may hang */
    public function need(Run $run): void
    {
        $missing = $this->missing($run);
        $missing === null ?: throw $missing;
    }

    /** What there is to wait for; null where all that the run reads and writes answers. */
    public function missing(Run $run): ?Postponed
    {
        foreach ([dirname($run->file), dirname($run->source)] as $place) {
            if (! $this->drives->answers($place)) {
                return Postponed::forDrive(mb_scrub($place));
            }
        }

        return StuckEngine::isThere($run->id) ? Postponed::forDrive('its engine is not back from there') : null;
    }
}
