<?php

declare(strict_types=1);

namespace OuterCrate\Transit;

/** What pieces are encoded with at first. */
final readonly class Beginning
{
    /**
     * @param  float  $asked  bits per second
     * @param  int|null  $peak  bits per second that they are let have where the whole lies under its peak; null where its peak binds them
     *     as it binds the whole
     * @param  float|null  $left  of a decoder's buffer, what is full where the first piece begins, 0 to 1; null where nothing tells
     */
    public function __construct(public float $asked, public ?int $peak = null, public ?float $left = null)
    {
    }
}
