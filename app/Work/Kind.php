<?php

namespace App\Work;

use App\Engine\Stopped;
use App\Models\Work;
use OuterCrate\Refusals\Refused;

/** A kind of work. */
interface Kind
{
    public static function declaration(): Declaration;

    /**
     * Does it. Whatever is half done when this ends in any way must be fit to be begun again.
     *
     * @throws Stopped when the meter says so
     * @throws Refused when it cannot be done, with words for the person
     */
    public function run(Work $work, Meter $meter): void;
}
