<?php

declare(strict_types=1);

namespace OuterCrate\Estimates\Sampling;

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

    /** @param  float  $length  of the piece, in seconds */
    public function __construct(private readonly float $length)
    {
        $this->halves = array_fill(0, max(1, (int) ceil(2 * $length)), 0);
    }

    /** Takes a line `stream,pts,dts,size,flags`; the picture is stream 0. Anything else is passed over. */
    public function take(string $line): void
    {
        $fields = explode(',', trim($line));
        if (count($fields) < 5) {
            return;
        }
        $bytes = (int) $fields[3];
        if ($fields[0] !== '0') {
            $this->audioBytes += $bytes;

            return;
        }
        if (str_contains($fields[4], 'K')) {
            $this->keyframes++;
            $this->keyframeBytes += $bytes;
        } else {
            $this->others++;
            $this->otherBytes += $bytes;
        }
        $this->halves[max(0, min(count($this->halves) - 1, (int) (2 * (float) $fields[1])))] += $bytes;
    }

    /** @param  float  $seconds  that the encoding took */
    public function result(float $seconds): PieceResult
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
        );
    }
}
