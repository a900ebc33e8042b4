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
     * Encodes the file of a plan. What an earlier attempt finished is used again.
     *
     * @param  Bitrate|null  $average  for the encoder to aim at; null for that of the plan, the first time
     * @return bool false where it cannot be encoded in this way, now or any more
     *
     * @throws EngineFailed
     * @throws FileProblem
     * @throws Stopped
     */
    public function encode(FileInProgress $file, Plan $plan, ?Bitrate $average = null): bool;
}
