<?php

declare(strict_types=1);

namespace OuterCrate\Planning;

use OuterCrate\Hosts\Host;
use OuterCrate\Presets\Preset;
use OuterCrate\Presets\Rules;

/** What is asked for one output: a preset, the host it goes to, and what the person changed. */
final readonly class OutputSpec
{
    public function __construct(public Preset $preset, public ?Host $host, public Rules $edits)
    {
    }
}
