<?php

namespace App\Packing\Passes;

use App\Engine\EngineFailed;
use App\Engine\Stopped;

/** Runs one pass of a file. */
interface PassEngine
{
    /**
     * @throws EngineFailed
     * @throws Stopped
     */
    public function run(PassRequest $request): void;
}
