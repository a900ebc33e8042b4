<?php

namespace App\Media;

use RuntimeException;

/** A file or folder that cannot be used. The message says what to do; the path says which. */
final class FileProblem extends RuntimeException
{
    public function __construct(string $message, public readonly string $path)
    {
        parent::__construct($message);
    }
}
