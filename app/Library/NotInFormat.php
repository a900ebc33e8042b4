<?php

namespace App\Library;

use OuterCrate\Refusals\Refused;
use OuterCrate\Refusals\Says;
use RuntimeException;

/** Something that was to be kept in the library and is not in its format. */
final class NotInFormat extends RuntimeException implements Refused
{
    use Says;

    /** @param  string  $called  empty where it has no name yet: then the fault stands for itself */
    public function __construct(string $called, string $fault, string $todo = 'Put that right and bring it in again.')
    {
        $what = $called === '' ? ucfirst($fault) : "{$called} is not in its format: {$fault}";
        $this->say("{$what}.", $called === '' ? '' : $todo, 'Nothing was changed.');
    }

    public static function newer(string $called, int $version, int $known): self
    {
        return new self(
            $called,
            "it was written in version {$version} of the format, and this Outer Crate reads version {$known}",
            'Bring Outer Crate up to date, or have the file written again by an older one.',
        );
    }

    public function id(): string
    {
        return 'not-in-format';
    }

    public function status(): int
    {
        return 422;
    }
}
