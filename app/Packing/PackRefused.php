<?php

namespace App\Packing;

use OuterCrate\Refusals\Declines;
use OuterCrate\Refusals\Refused;
use RuntimeException;

/** A pack that is known beforehand not to work; nothing was queued. */
final class PackRefused extends RuntimeException implements Refused
{
    use Declines;

    public function __construct(string $what, string $todo)
    {
        $this->say($what, $todo);
    }
}
