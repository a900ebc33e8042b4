<?php

namespace App\Library;

/** An item of a file that is to be brought in, against what is there. */
final readonly class Incoming
{
    /**
     * @param  string|null  $slug  that the file says it is known by
     * @param  'new'|'same'|'conflict'  $state
     * @param  Entry|null  $there  what it is the same as, or in conflict with
     */
    public function __construct(public ItemFile $file, public ?string $slug, public string $state, public ?Entry $there)
    {
    }
}
