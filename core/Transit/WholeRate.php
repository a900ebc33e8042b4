<?php

declare(strict_types=1);

namespace OuterCrate\Transit;

use OuterCrate\Estimates\Sampling\PieceTally;
use OuterCrate\Reading\Packets\Packet;

/**
 * What the whole would come to with what made its pieces: each counts for what it stands for, keyframes as often as they would be
 * there.
 */
final readonly class WholeRate
{
    /**
     * @param  list<TestPiece>  $pieces
     * @param  int  $keyframeEvery  frames from one keyframe of the whole to the next
     * @param  float  $perSecond  frames
     */
    public function __construct(private array $pieces, private int $keyframeEvery, private float $perSecond)
    {
    }

    /**
     * @param  iterable<array{int, int, bool}>  $frames  in any order, each the place of its piece, its bytes, and whether it is a keyframe
     * @return float bits per second of the picture
     */
    public function of(iterable $frames): float
    {
        $tallies = array_map(static fn (): PieceTally => new PieceTally(0.0), $this->pieces);
        foreach ($frames as [$piece, $bytes, $isKeyframe]) {
            $tallies[$piece]->take(new Packet(0, 0.0, null, null, $bytes, $isKeyframe));
        }
        // What is shorter than they are apart has one all the same.
        $isWhole = array_filter($this->pieces, static fn (TestPiece $piece): bool => $piece->why !== Why::Whole) === [];
        $all = array_sum(array_map(static fn (TestPiece $piece): int => $piece->frames->count(), $this->pieces));
        $every = $isWhole ? min($this->keyframeEvery, $all) : $this->keyframeEvery;
        $bytes = 0.0;
        foreach ($this->pieces as $i => $piece) {
            $bytes += $piece->share * $piece->weight * $tallies[$i]->result(0.0)->bytesPerFrame($every);
        }

        return 8 * $bytes * $this->perSecond;
    }
}
