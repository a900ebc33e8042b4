<?php

declare(strict_types=1);

namespace OuterCrate\Planning;

/** A rule that led to no value; the plan was decided without it. */
final readonly class Refusal
{
    /**
     * @param  string  $cell  its name
     * @param  bool  $yours  the person said it, and not the preset
     */
    public function __construct(public string $cell, public string $text, public bool $yours)
    {
    }
}
