<?php

namespace App\Transit;

use OuterCrate\Analysis\Segment;
use OuterCrate\Planning\Values\BitrateValue;
use OuterCrate\Reading\Reading;
use OuterCrate\Transit\ReelOrder;
use OuterCrate\Transit\TestPiece;
use OuterCrate\Transit\Why;
use OuterCrate\Units\FrameRate;

/** Pieces of a cut in one file, without loss. */
final readonly class Reel
{
    /** Pieces that are looked at closely at most: each takes a third of a second for every file. */
    private const LOOKED = 3;

    /**
     * @param  list<TestPiece>  $pieces  in the order in which they lie in it
     * @param  string  $key  of its content
     * @param  float|null  $left  of a decoder's buffer, what is full where the first piece begins, 0 to 1; null where it begins as any file
     *     does
     */
    public function __construct(
        public string $path,
        public string $key,
        public Reading $reading,
        public array $pieces,
        public ?float $left = null,
    ) {
    }

    public function material(): Material
    {
        return new Material($this->path, $this->key, $this->reading);
    }

    public function rate(): FrameRate
    {
        return $this->reading->mainVideo()->frameRate ?? FrameRate::of(25);
    }

    /** The same, to be encoded at a rate: what is then left of a decoder's buffer where the first piece begins. */
    public function at(BitrateValue $rate): self
    {
        $left = ReelOrder::left($this->pieces, Segment::framesPerSecond($this->rate()), $rate);

        return new self($this->path, $this->key, $this->reading, $this->pieces, $left);
    }

    /** The same, with so much left of a decoder's buffer where the first piece begins; as it is where that is null. */
    public function finding(?float $left): self
    {
        return new self($this->path, $this->key, $this->reading, $this->pieces, $left ?? $this->left);
    }

    /** The same, to be encoded as a file by itself: with the buffer that any begins with. */
    public function byItself(): self
    {
        return new self($this->path, $this->key, $this->reading, $this->pieces);
    }

    /** @return list<float> seconds of the reel at which the pieces begin */
    public function times(): array
    {
        return array_map(fn (int $frame): float => $this->rate()->secondsOf($frame)->toFloat(), $this->starts());
    }

    /** @return list<int> frames of the reel at which the pieces begin */
    public function starts(): array
    {
        return TestPiece::starts($this->pieces);
    }

    /** Whether each piece is a part of what lies between two keyframes of the whole; what is taken whole has the keyframes that it has. */
    public function isOfParts(int $keyframeEvery): bool
    {
        $isPart = fn (TestPiece $piece): bool => $piece->why !== Why::Whole && $piece->frames->count() < $keyframeEvery;

        return $this->pieces !== [] && array_filter($this->pieces, $isPart) === $this->pieces;
    }

    /**
     * The first of two frames in a row that are looked at closely, from the middle of a piece: of those that are worst for a host, and of
     * those that stand for most.
     *
     * @return list<int>
     */
    public function looked(): array
    {
        $order = array_keys($this->pieces);
        $last = fn (int $i): array => [$this->pieces[$i]->why === Why::Typical, -$this->pieces[$i]->share, $i];
        usort($order, fn (int $a, int $b): int => $last($a) <=> $last($b));
        $chosen = array_slice($order, 0, self::LOOKED);
        sort($chosen);
        $starts = $this->starts();

        return array_map(fn (int $i): int => $starts[$i] + max(0, intdiv($this->pieces[$i]->frames->count(), 2) - 1), $chosen);
    }

    /** @return non-empty-list<float> */
    public function shares(): array
    {
        return array_map(fn (TestPiece $piece): float => $piece->share, $this->pieces) ?: [1.0];
    }
}
