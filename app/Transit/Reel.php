<?php

namespace App\Transit;

use OuterCrate\Reading\Reading;
use OuterCrate\Transit\TestPiece;
use OuterCrate\Units\FrameRate;

/** Pieces of a cut in one file, without loss. */
final readonly class Reel
{
    /**
     * @param  list<TestPiece>  $pieces  in the order in which they lie in it
     * @param  string  $key  of its content
     */
    public function __construct(public string $path, public string $key, public Reading $reading, public array $pieces)
    {
    }

    public function rate(): FrameRate
    {
        return $this->reading->mainVideo()->frameRate ?? FrameRate::of(25);
    }

    /** @return list<float> seconds of the reel at which the pieces begin */
    public function times(): array
    {
        return array_map(fn (int $frame): float => $this->rate()->secondsOf($frame)->toFloat(), $this->starts());
    }

    /** @return list<int> frames of the reel at which the pieces begin */
    public function starts(): array
    {
        $starts = [];
        $at = 0;
        foreach ($this->pieces as $piece) {
            $starts[] = $at;
            $at += $piece->frames->count();
        }

        return $starts;
    }

    /** @return list<int> the first of two frames in a row that are looked at closely, from the middle of each piece */
    public function looked(): array
    {
        return array_map(
            fn (int $start, TestPiece $piece): int => $start + max(0, intdiv($piece->frames->count(), 2) - 1),
            $this->starts(),
            $this->pieces,
        );
    }

    /** @return non-empty-list<float> */
    public function shares(): array
    {
        return array_map(fn (TestPiece $piece): float => $piece->share, $this->pieces) ?: [1.0];
    }
}
