<?php

namespace App\Packing\Shared;

use App\Packing\Passes\PassEngine;
use App\Packing\Passes\PassRequest;
use Fiber;

/** Hands a pass to SharedDecode, which resumes this fiber when the pass is finished. */
final class SharedEngine implements PassEngine
{
    public function run(PassRequest $request): void
    {
        Fiber::suspend($request);
    }
}
