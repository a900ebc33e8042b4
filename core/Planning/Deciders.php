<?php

declare(strict_types=1);

namespace OuterCrate\Planning;

use OutOfBoundsException;

/** The rows of the sheet, as far as a draft needs them. */
interface Deciders
{
    /** @return list<string> names of the rows in their order */
    public function names(): array;

    /**
     * Decides the value of a row.
     *
     * @throws PlanImpossible when its rule leads to no value
     * @throws OutOfBoundsException when there is no such row
     */
    public function decide(string $cell, Draft $draft): void;

    /** Changes the value of a row where that depends on all the others. */
    public function settle(string $cell, Draft $draft): void;
}
