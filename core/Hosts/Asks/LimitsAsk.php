<?php

declare(strict_types=1);

namespace OuterCrate\Hosts\Asks;

use OuterCrate\Units\ByteCount;
use OuterCrate\Units\Duration;
use OuterCrate\Units\Fraction;

/** How long and how large an upload may be. */
final readonly class LimitsAsk
{
    /** Null where it does not say. */
    public function __construct(public ?int $seconds = null, public ?int $bytes = null)
    {
    }

    public function words(): string
    {
        return implode(', ', array_filter([
            $this->seconds === null ? '' : (string) new Duration(new Fraction($this->seconds)),
            $this->bytes === null ? '' : (string) new ByteCount($this->bytes),
        ]));
    }
}
