<?php

declare(strict_types=1);

namespace OuterCrate\Store;

/** An item that retention may delete. */
final readonly class Aged
{
    /**
     * @param  int  $seconds  since it was made or last used
     * @param  int  $bytes  size
     */
    public function __construct(public string $id, public int $seconds, public int $bytes)
    {
    }
}
