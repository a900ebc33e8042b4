<?php

declare(strict_types=1);

namespace OuterCrate\Estimates\Sampling;

/** What one piece came to. */
final readonly class PieceResult
{
    /**
     * @param  int  $frames  of the output
     * @param  int  $keyframes  among them
     * @param  int  $keyBytes  of the keyframes
     * @param  int  $otherBytes  of the frames between
     * @param  float  $seconds  that making it took
     * @param  int  $soundBytes  of all tracks together
     * @param  float  $length  of the piece in seconds
     * @param  list<int>  $halves  bytes of the picture in each half second
     * @param  int|null  $file  bytes of the file that it makes in the plan's container; null where it was made without it
     */
    public function __construct(
        public int $frames,
        public int $keyframes,
        public int $keyBytes,
        public int $otherBytes,
        public float $seconds,
        public int $soundBytes = 0,
        public float $length = 0.0,
        public array $halves = [],
        public ?int $file = null,
    ) {
    }

    /** Bytes of a frame of what was encoded, keyframes as often as they were. */
    public function mean(): float
    {
        return ($this->keyBytes + $this->otherBytes) / max(1, $this->frames);
    }

    /** Bytes of a frame in a stream with a keyframe every so many frames: a piece has more of them than the whole. */
    public function bytesPerFrame(int $keyframeEvery): float
    {
        $others = $this->frames - $this->keyframes;
        $key = $this->keyBytes / max(1, $this->keyframes);
        if ($others === 0) {
            return $key;
        }
        // Scene cuts put in more keyframes than the spacing asks; those in a piece stand for others like them.
        $cuts = max(0, $this->keyframes - 1 - intdiv(max(0, $this->frames - 1), max(1, $keyframeEvery))) / $this->frames;
        $share = min(1.0, 1 / max(1, $keyframeEvery) + $cuts);

        return $key * $share + ($this->otherBytes / $others) * (1 - $share);
    }

    /**
     * Share of its bytes that a peak lets through. Looked at by half seconds: a buffer that a calm moment filled lets a busy one
     * through once, and not again and again over all that the piece stands for.
     *
     * @param  int  $peak  bits per second
     */
    public function shareUnder(int $peak): float
    {
        $most = $peak / 16;
        $all = array_sum($this->halves);

        return $all === 0 ? 1.0 : array_sum(array_map(static fn (int $bytes): float => min($most, $bytes), $this->halves)) / $all;
    }
}
