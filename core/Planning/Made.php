<?php

declare(strict_types=1);

namespace OuterCrate\Planning;

use OuterCrate\Reading\PacketTally;
use OuterCrate\Reading\Reading;

/** A finished file as it was read back. */
final readonly class Made
{
    /** @param  int  $frames  that were planned */
    public function __construct(public Reading $reading, public PacketTally $tally, public string $file, public int $frames)
    {
    }
}
