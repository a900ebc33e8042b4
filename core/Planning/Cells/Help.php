<?php

declare(strict_types=1);

namespace OuterCrate\Planning\Cells;

/** A row of the sheet explained to somebody who does not enjoy codecs: 60 words at most, with what holds here. */
final readonly class Help
{
    /**
     * @param  string  $what  it is and what it does to picture, size and time
     * @param  string  $here  the same with the numbers of a plan
     * @param  string  $wrong  what goes wrong
     */
    public function __construct(public string $what, public string $here, public string $wrong)
    {
    }
}
