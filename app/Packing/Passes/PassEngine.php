<?php

namespace App\Packing\Passes;

use App\Engine\EngineFailed;
use App\Engine\Stopped;

/** Does a pass that a run wants done. */
interface PassEngine
{
    /**
     * @throws EngineFailed
     * @throws Stopped
     */
    public function run(PassRequest $request): void;
}
