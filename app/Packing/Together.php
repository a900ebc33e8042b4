<?php

namespace App\Packing;

use App\Models\Work;
use App\Work\Conclusion;
use App\Work\Kind;
use App\Work\Meter;
use Closure;

/** Makes runs together, and sees to what becomes of each. */
class Together
{
    public function __construct(
        private readonly PassEngine $engine,
        private readonly SharedRound $round,
        private readonly Conclusion $conclusion,
    ) {
    }

    /**
     * @param  non-empty-list<Work>  $works  the first is the meter's
     * @param  Closure(Work, Meter): void  $make
     */
    public function make(array $works, Kind $kind, Meter $meter, Closure $make): void
    {
        $makings = [];
        foreach ($works as $i => $work) {
            $own = $i === 0 ? $meter : $meter->alongside($work);
            $makings[] = fn () => $this->conclusion->of($work, $kind, $own, fn () => $make($work, $own));
        }
        (new SharedDecode($this->engine, $this->round))->run($makings);
    }
}
