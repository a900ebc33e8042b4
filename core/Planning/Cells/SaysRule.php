<?php

declare(strict_types=1);

namespace OuterCrate\Planning\Cells;

use OuterCrate\Json\Fields;

/** A cell whose editor has no list of choices says its rule itself. */
interface SaysRule
{
    /** A rule in the words of the sheet; empty where it says nothing. */
    public function inWords(Fields $rule): string;
}
