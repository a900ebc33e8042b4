<?php

namespace App\Packing;

use OuterCrate\Refusals\Refused;
use OuterCrate\Refusals\Says;
use RuntimeException;

/** The very same was made already and lies there, or is being made: nothing was queued until the person says that they mean it. */
final class MadeAlready extends RuntimeException implements Refused
{
    use Says;

    /** @param  non-empty-list<string>  $files  names */
    public function __construct(array $files, bool $underWay)
    {
        $names = implode(', ', array_slice($files, 0, 3)).(count($files) > 3 ? ' and '.(count($files) - 3).' more' : '');
        $this->say(
            $underWay ? "All of this is being made already, with the same settings. It becomes {$names}."
                : "All of this was made with the same settings, and lies there as {$names}.",
            'Nothing was queued. Make it again if you mean to.',
        );
    }

    public function id(): string
    {
        return 'made-already';
    }

    public function status(): int
    {
        return 409;
    }
}
