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

    public static function silent(string $folder): self
    {
        return new self("The drive of {$folder} does not answer.", 'See to the drive, or to its network, then set it again.');
    }
}
