<?php

declare(strict_types=1);

namespace OuterCrate\Estimates\Sampling;

use OuterCrate\Reading\Packets\Packet;

/** Counts the packets of an encoded piece: keyframes, other frames, audio, and the picture in each half second. */
final class PieceTally
{
    private int $keyframes = 0;

    private int $keyframeBytes = 0;

    private int $others = 0;

    private int $otherBytes = 0;

    private int $audioBytes = 0;

    /** @var non-empty-array<int, int> bytes of picture by half second */
    private array $halves;

    /**
     * @param  float  $length  of the piece, in seconds
     * @param  int  $picture  index of its stream
     */
    public function __construct(private readonly float $length, private readonly int $picture = 0)
    {
        $this->halves = array_fill(0, max(1, (int) ceil(2 * $length)), 0);
    }

    public function take(Packet $packet): void
    {
        if ($packet->stream !== $this->picture) {
            $this->audioBytes += $packet->bytes;

            return;
        }
        if ($packet->keyframe) {
            $this->keyframes++;
            $this->keyframeBytes += $packet->bytes;
        } else {
            $this->others++;
            $this->otherBytes += $packet->bytes;
        }
        $this->halves[max(0, min(count($this->halves) - 1, (int) (2 * ($packet->shown ?? 0.0))))] += $packet->bytes;
    }

    /**
     * @param  float  $seconds  that the encoding took
     * @param  int|null  $file  bytes of the file in the plan's container; null where it was made without it
     */
    public function result(float $seconds, ?int $file = null): PieceResult
    {
        return new PieceResult(
            frames: $this->keyframes + $this->others,
            keyframes: $this->keyframes,
            keyBytes: $this->keyframeBytes,
            otherBytes: $this->otherBytes,
            seconds: $seconds,
            soundBytes: $this->audioBytes,
            length: $this->length,
            halves: array_values($this->halves),
            file: $file,
        );
    }
}
