<?php

declare(strict_types=1);

namespace OuterCrate\Transit;

use OuterCrate\Encoding\Spending;
use OuterCrate\Estimates\Sampling\PieceResult;

/** A scene of the whole that a piece stands for, as the first pass over the piece foretells it. */
final readonly class Scene
{
    private Spending $keyframes;

    private Spending $others;

    /**
     * @param  non-empty-list<array{at: int, key: bool, spends: Spending}>  $frames  of the piece
     * @param  int  $keyframeEvery  frames from one keyframe of the whole to the next
     * @param  float  $perSecond  frames
     */
    public function __construct(public TestPiece $piece, array $frames, private int $keyframeEvery, private float $perSecond)
    {
        $of = static fn (bool $isKeyframe): Spending => Spending::sum(array_column(
            array_filter($frames, static fn (array $frame): bool => $frame['key'] === $isKeyframe),
            'spends',
        ));
        $this->keyframes = $of(true);
        $this->others = $of(false);
    }

    /** Bits per second at a step, keyframes as often as the whole has them. */
    public function rate(float $step): float
    {
        $told = new PieceResult(
            frames: $this->keyframes->frames + $this->others->frames,
            keyframes: $this->keyframes->frames,
            keyBytes: (int) round($this->keyframes->at($step) / 8),
            otherBytes: (int) round($this->others->at($step) / 8),
            seconds: 0.0,
        );

        return 8 * $told->bytesPerFrame($this->keyframeEvery) * $this->perSecond;
    }
}
