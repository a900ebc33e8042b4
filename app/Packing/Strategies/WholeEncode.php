<?php

namespace App\Packing\Strategies;

use App\Packing\Passes\PassEngine;
use App\Packing\Passes\PassRunner;
use App\Packing\Run\FileInProgress;
use OuterCrate\Encoding\PassBuilder;
use OuterCrate\Planning\Plan;
use OuterCrate\Units\Bitrate;

/** Encodes a file from its first frame to its last. */
class WholeEncode implements Strategy
{
    public function __construct(
        private readonly PassBuilder $passes,
        private readonly PassRunner $runner,
        private readonly PassEngine $engine,
    ) {
    }

    public function encode(FileInProgress $file, Plan $plan, ?Bitrate $average = null): bool
    {
        $passes = $this->passes->passes($average === null ? $plan : $plan->aimedAt($average), $file->run->cut->reading());
        // The statistics of the first pass are valid for any average.
        $this->runner->run($file, $average === null ? $passes : [$passes[count($passes) - 1]], $this->engine);

        return true;
    }
}
