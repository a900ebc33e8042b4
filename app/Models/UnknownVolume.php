<?php

namespace App\Models;

use OuterCrate\Refusals\Refused;
use OuterCrate\Refusals\Says;
use RuntimeException;

/** A path on a volume that this machine does not have. */
final class UnknownVolume extends RuntimeException implements Refused
{
    use Says;

    public function __construct(string $name)
    {
        $this->say("This machine has no volume “{$name}”.", 'Name its folder in config/crate.php, under volumes.');
    }

    public function id(): string
    {
        return 'unknown-volume';
    }

    public function status(): int
    {
        return 422;
    }
}
