<?php

declare(strict_types=1);

namespace OuterCrate\Store;

/** Something kept that can be deleted once it is old enough. */
final readonly class Aged
{
    /**
     * @param  int  $seconds  since it was made or last used
     * @param  int  $bytes  that it takes
     */
    public function __construct(public string $id, public int $seconds, public int $bytes)
    {
    }
}
