<?php

namespace App\Settings;

use OuterCrate\Refusals\Refused;
use OuterCrate\Refusals\Says;
use RuntimeException;

/** A setting that cannot be what was asked; all of them stay as they were. */
final class SettingRefused extends RuntimeException implements Refused
{
    use Says;

    public function __construct(string $what, string $todo)
    {
        $this->say($what, $todo, 'Nothing was changed.');
    }

    public function id(): string
    {
        return 'refused';
    }

    public function status(): int
    {
        return 422;
    }
}
