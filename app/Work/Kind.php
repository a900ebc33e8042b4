<?php

namespace App\Work;

use App\Engine\Stopped;
use App\Models\Work;
use OuterCrate\Refusals\Refused;

/** A kind of work. */
interface Kind
{
    public function name(): string;

    /** What a worker does that has one in hand, as in “makes files”. */
    public function does(): string;

    /** The higher is taken in hand first. */
    public function priority(): int;

    /** Whether it is put down as soon as something of a higher priority, or wanted later, is there. */
    public function givesWay(): bool;

    /** How many of it may be in hand at once, whatever takes it; null for as many as there are workers. */
    public function atOnce(): ?int;

    /** Seconds after which nobody waits for a piece of it any more, unless it is wanted again; null where it is always made. */
    public function staleAfter(): ?int;

    /**
     * Does it. Whatever is half done when this ends in any way must be fit to be begun again.
     *
     * @throws Stopped when the meter says so
     * @throws Refused when it cannot be done, with words for the person
     */
    public function run(Work $work, Meter $meter): void;

    /** A sentence for a failure that nobody foresaw. */
    public function brokeDown(): string;
}
