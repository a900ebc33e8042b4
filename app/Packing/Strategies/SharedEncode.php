<?php

namespace App\Packing\Strategies;

use App\Packing\Passes\PassRunner;
use App\Packing\Shared\SharedEngine;
use OuterCrate\Encoding\PassBuilder;

/** Encodes a whole file while others are encoded from the same decoded frames. */
class SharedEncode extends WholeEncode
{
    public function __construct(PassBuilder $passes, PassRunner $runner, SharedEngine $engine)
    {
        parent::__construct($passes, $runner, $engine);
    }
}
