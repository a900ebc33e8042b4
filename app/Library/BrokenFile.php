<?php

namespace App\Library;

use RuntimeException;

/** A preset or host file that is not in its format. */
final class BrokenFile extends RuntimeException
{
    public function __construct(string $path, string $fault)
    {
        parent::__construct(basename($path)." is not in its format: {$fault}");
    }
}
