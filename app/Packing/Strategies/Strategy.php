<?php

namespace App\Packing\Strategies;

use App\Engine\EngineFailed;
use App\Engine\Stopped;
use App\Media\FileProblem;
use App\Packing\Run\FileInProgress;
use OuterCrate\Planning\Plan;
use OuterCrate\Units\Bitrate;

/** A way to encode a file. */
interface Strategy
{
    /**
     * Encodes the file of a plan. Reuses what an earlier attempt finished.
     *
     * @param  Bitrate|null  $average  target for the encoder when it tries again; null the first time, for the average of the plan
     * @return bool false if this way is not possible for the file
     *
     * @throws EngineFailed
     * @throws FileProblem
     * @throws Stopped
     */
    public function encode(FileInProgress $file, Plan $plan, ?Bitrate $average = null): bool;
}
