<?php

declare(strict_types=1);

namespace OuterCrate\Hosts\Asks;

/** What a table of rates comes to for one picture, and how it was found. */
final readonly class AskedRate
{
    /**
     * @param  string  $how  `between 720 and 1080 lines`; empty where a row says it
     * @param  bool  $beyond  the picture lies outside the table, and the rate is an extrapolation
     */
    public function __construct(public RateRange $range, public string $how = '', public bool $beyond = false)
    {
    }

    /** 9 Mb/s; 7.41 Mb/s, between 720 and 1080 lines. */
    public function __toString(): string
    {
        return $this->range.($this->how === '' ? '' : ", {$this->how}");
    }
}
