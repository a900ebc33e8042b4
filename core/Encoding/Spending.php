<?php

declare(strict_types=1);

namespace OuterCrate\Encoding;

/** Bits of frames at any step of the quantiser, from those that they took at one (x264, ratecontrol.c, qscale2bits). */
final readonly class Spending
{
    /** Bits of the picture go by this power of the step, those of movement by the next. */
    private const TEXTURE = 1.1;

    private const MOVEMENT = 0.5;

    /** How much smaller the step of a keyframe is than that of the frames that follow it (x264, --ipratio). */
    private const KEYFRAME = 1.4;

    /**
     * @param  float  $texture  bits at a step of 1
     * @param  float  $movement  the same, of frames that are no keyframes
     * @param  float  $ofKeyframes  the same, of those that are
     * @param  float  $rest  bits at any
     */
    private function __construct(
        public int $frames,
        private float $texture,
        private float $movement,
        private float $ofKeyframes,
        private float $rest,
    ) {
    }

    /**
     * @param  float  $step  that the bits were spent at
     * @param  int  $texture  bits of the picture
     * @param  int  $movement  bits
     * @param  int  $rest  bits that are spent at any step
     */
    public static function ofFrame(bool $isKeyframe, float $step, int $texture, int $movement, int $rest): self
    {
        $moved = $movement * max(1.0, $step) ** self::MOVEMENT;

        return new self(
            1,
            $texture * ($isKeyframe ? self::KEYFRAME * $step : $step) ** self::TEXTURE,
            $isKeyframe ? 0.0 : $moved,
            $isKeyframe ? $moved : 0.0,
            (float) $rest,
        );
    }

    /** @param  list<self>  $all */
    public static function sum(array $all): self
    {
        [$frames, $texture, $movement, $ofKeyframes, $rest] = [0, 0.0, 0.0, 0.0, 0.0];
        foreach ($all as $one) {
            $frames += $one->frames;
            $texture += $one->texture;
            $movement += $one->movement;
            $ofKeyframes += $one->ofKeyframes;
            $rest += $one->rest;
        }

        return new self($frames, $texture, $movement, $ofKeyframes, $rest);
    }

    /** Bits at a step. */
    public function at(float $step): float
    {
        return $this->texture / $step ** self::TEXTURE
            + $this->movement / max(1.0, $step) ** self::MOVEMENT
            + $this->ofKeyframes / max(1.0, $step / self::KEYFRAME) ** self::MOVEMENT
            + $this->rest;
    }
}
