<?php

declare(strict_types=1);

namespace OuterCrate\Encoding;

/** What a part of a file may spend in its second pass. */
final readonly class PartRate
{
    /**
     * @param  int  $average  bits per second
     * @param  float|null  $full  share of a decoder's buffer that is full where the part begins, 0 to 1; null for what its encoder takes
     *     it to be
     */
    public function __construct(public int $average, public ?float $full)
    {
    }
}
