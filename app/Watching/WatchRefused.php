<?php

namespace App\Watching;

use OuterCrate\Refusals\Declines;
use OuterCrate\Refusals\Refused;
use RuntimeException;

/** A folder that cannot be watched; nothing was changed. */
final class WatchRefused extends RuntimeException implements Refused
{
    use Declines;

    public function __construct(string $what, string $todo)
    {
        $this->say($what, $todo);
    }
}
