<?php

declare(strict_types=1);

namespace OuterCrate\Units;

use InvalidArgumentException;

/** An exact number does not fit into 64 bits any more: only a damaged file says such a thing. */
final class NumberTooLarge extends InvalidArgumentException
{
    public function __construct()
    {
        parent::__construct('A number in this file is too large to be true.');
    }
}
