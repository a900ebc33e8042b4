<?php

namespace App\Console;

use OuterCrate\Refusals\Refused;
use OuterCrate\Refusals\Says;
use RuntimeException;
use Throwable;

/** Something that nobody foresaw went wrong in a command. */
final class BrokenDown extends RuntimeException implements Refused
{
    use Says;

    public function __construct(Throwable $why)
    {
        $this->say('Something broke inside Outer Crate: '.$why->getMessage(), 'storage/logs says more.', 'Your files are untouched.');
    }

    public function id(): string
    {
        return 'broken';
    }

    public function status(): int
    {
        return 500;
    }
}
