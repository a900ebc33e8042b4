<?php

namespace App\Work;

use App\Media\DriveProbe;
use App\Models\Cut;
use Closure;
use OuterCrate\Refusals\Refused;

/** Has work that reads a cut wait while the cut's drive does not answer: before it begins, and where the drive went silent meanwhile. */
class CutAtHand
{
    public function __construct(private readonly DriveProbe $drives)
    {
    }

    /**
     * @param  Closure(): void  $do
     *
     * @throws Postponed
     * @throws Refused where the drive is there, and something else is wrong
     */
    public function during(Cut $cut, Closure $do): void
    {
        $this->need($cut);
        try {
            $do();
        } catch (Refused $e) {
            $this->need($cut);
            throw $e;
        }
    }

    private function need(Cut $cut): void
    {
        $folder = dirname($cut->path);
        $this->drives->answers($folder) ?: throw Postponed::forDrive(mb_scrub($folder));
    }
}
