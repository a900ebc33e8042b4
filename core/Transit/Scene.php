<?php

declare(strict_types=1);

namespace OuterCrate\Transit;

use OuterCrate\Encoding\Spending;
use OuterCrate\Encoding\Statistics;
use OuterCrate\Estimates\Sampling\PieceResult;

/** A scene of the whole that a piece stands for, as the first pass over the piece foretells it. */
final readonly class Scene
{
    /** Of a buffer, what an encoder in two passes takes a long scene to find full (x264, ratecontrol.c, find_underflow). */
    private const ONCE = 0.9;

    /**
     * Of a buffer, how much less a keyframe is given than it is foretold to take, for each buffer of that: of a quarter it is given three
     * quarters, of a half and more a quarter of the buffer (measured on six cuts).
     */
    private const GIVEN_LESS = 1.1;

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

    /**
     * Bits per second that a peak lets it have: for a time more than flows in, out of the buffer.
     *
     * @param  int  $peak  bits per second
     * @param  int  $buffer  bits
     */
    public function most(int $peak, int $buffer): float
    {
        return $peak + self::ONCE * $buffer * $this->perSecond / $this->piece->lasts();
    }

    /**
     * Bits of the piece itself where its scene has so many a second; no more than at a step.
     *
     * @param  int  $buffer  bits, of which a keyframe is given less the more it would take
     */
    public function bits(float $rate, float $step, int $buffer): float
    {
        $at = $this->rate($step) <= $rate ? $step : Statistics::step($rate, $this->rate(...));
        $keyframes = max(1, $this->keyframes->frames);
        $share = min(0.5 / self::GIVEN_LESS, $this->keyframes->at($at) / $keyframes / $buffer);

        return $keyframes * $buffer * $share * (1 - self::GIVEN_LESS * $share) + $this->others->at($at);
    }

    /** Seconds that the piece itself takes. */
    public function seconds(): float
    {
        return ($this->keyframes->frames + $this->others->frames) / $this->perSecond;
    }
}
