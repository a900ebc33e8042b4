<?php

namespace App\Settings;

use OuterCrate\Refusals\Declines;
use OuterCrate\Refusals\Refused;
use RuntimeException;

/** A setting that cannot be what was asked; all of them stay as they were. */
final class SettingRefused extends RuntimeException implements Refused
{
    use Declines;

    public function __construct(string $what, string $todo)
    {
        $this->say($what, $todo, 'Nothing was changed.');
    }
}
