<?php

declare(strict_types=1);

namespace OuterCrate\Refusals;

/** A refusal of something that was understood and cannot be done as it was asked. */
trait Declines
{
    use Says;

    public function id(): string
    {
        return 'refused';
    }

    public function status(): int
    {
        return 422;
    }
}
