<?php

namespace App\Packing\Steps;

use App\Engine\Stopped;
use App\Packing\Run\FileInProgress;
use OuterCrate\Refusals\Refused;

/** One step of making a file. */
interface Step
{
    /**
     * @throws Refused
     * @throws Stopped
     */
    public function run(FileInProgress $file): void;
}
