<?php

declare(strict_types=1);

namespace OuterCrate\Json;

use InvalidArgumentException;

/** A document lacks a part that it needs. */
final class MissingPart extends InvalidArgumentException
{
    public function __construct(string $part)
    {
        parent::__construct("The part “{$part}” is missing.");
    }
}
