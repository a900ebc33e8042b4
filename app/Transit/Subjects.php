<?php

namespace App\Transit;

use App\Engine\Capabilities;
use OuterCrate\Analysis\Found;
use OuterCrate\Planning\Subject;
use OuterCrate\Reading\Reading;

/** What a file of ours is planned as: no drive has to have room for what is made of it, and no name be free. */
class Subjects
{
    public function __construct(private readonly Capabilities $capabilities)
    {
    }

    /** @param  Found|null  $found  in the cut that it comes from */
    public function of(Reading $reading, ?Found $found = null): Subject
    {
        return new Subject(
            reading: $reading,
            encoders: $this->capabilities->encoders(),
            found: $found,
            hardware: $this->capabilities->knownHardware(),
        );
    }
}
