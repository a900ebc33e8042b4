<?php

namespace App\Packing\Segments;

/** What a round of parts is of the whole work. */
final readonly class PartStage
{
    /**
     * @param  float  $from  share of the whole work that was done before, 0 to 1
     * @param  float  $to  share that is done when all parts of the round are there
     * @param  int  $pass  which of them this is, from 1; the last one joins
     */
    public function __construct(public float $from, public float $to, public int $pass, public int $passes)
    {
    }

    /** Whether nothing is written in it yet. */
    public function gathers(): bool
    {
        return $this->pass < $this->passes - 1;
    }
}
