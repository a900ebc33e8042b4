<?php

declare(strict_types=1);

namespace OuterCrate\Reading;

use OuterCrate\Reading\Packets\Packet;

/**
 * Counts a file's packets as they are read: frames, bytes of picture and sound, keyframe spacing, and the fullest second.
 */
final class PacketTally
{
    public int $frames = 0;

    public int $videoBytes = 0;

    public int $audioBytes = 0;

    public int $keyframes = 0;

    /** Frames from one keyframe to the next, at most. */
    public int $longestGap = 0;

    /** Most bytes of picture within any one second of decoding. */
    public int $fullestSecond = 0;

    /** Seconds from one frame to the next in decoding, at most; 0 where the file does not say. */
    public float $longestStep = 0.0;

    /** And at least. */
    public float $shortestStep = INF;

    private ?float $decodedBefore = null;

    private int $sinceKeyframe = 0;

    private int $windowBytes = 0;

    /** @var list<array{float, int}> */
    private array $window = [];

    private int $windowStart = 0;

    /** @param  RateBuffer|null  $buffer  that is replayed with the picture */
    public function __construct(private readonly int $videoStream, public readonly ?RateBuffer $buffer = null)
    {
    }

    public function take(Packet $packet): void
    {
        if ($packet->stream !== $this->videoStream) {
            $this->audioBytes += $packet->bytes;

            return;
        }
        $this->frames++;
        $this->videoBytes += $packet->bytes;
        $this->buffer?->take($packet->bytes);
        if ($packet->keyframe) {
            $this->keyframes++;
            $this->sinceKeyframe = 0;
        }
        $this->sinceKeyframe++;
        $this->longestGap = max($this->longestGap, $this->sinceKeyframe);
        if ($packet->decoded !== null && $this->decodedBefore !== null) {
            $step = $packet->decoded - $this->decodedBefore;
            $this->longestStep = max($this->longestStep, $step);
            $this->shortestStep = min($this->shortestStep, $step);
        }
        $this->decodedBefore = $packet->decoded;
        $time = $packet->decoded ?? $packet->shown;
        if ($time !== null) {
            $this->slide($time, $packet->bytes);
        }
    }

    private function slide(float $time, int $size): void
    {
        $this->window[] = [$time, $size];
        $this->windowBytes += $size;
        while ($this->window[$this->windowStart][0] <= $time - 0.9999) {
            $this->windowBytes -= $this->window[$this->windowStart][1];
            $this->windowStart++;
        }
        $this->fullestSecond = max($this->fullestSecond, $this->windowBytes);
        if ($this->windowStart > 4096) {
            $this->window = array_slice($this->window, $this->windowStart);
            $this->windowStart = 0;
        }
    }
}
