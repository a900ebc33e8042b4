<?php

declare(strict_types=1);

namespace OuterCrate\Reading;

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

    private int $sinceKeyframe = 0;

    private int $windowBytes = 0;

    /** @var list<array{float, int}> */
    private array $window = [];

    private int $windowStart = 0;

    public function __construct(private readonly int $videoStream)
    {
    }

    /** Takes a line `stream,pts,dts,size,flags`; anything else is passed over. */
    public function take(string $line): void
    {
        $fields = explode(',', trim($line));
        if (count($fields) < 5 || ! ctype_digit($fields[0]) || ! ctype_digit($fields[3])) {
            return;
        }
        $size = (int) $fields[3];
        if ((int) $fields[0] !== $this->videoStream) {
            $this->audioBytes += $size;

            return;
        }
        $this->frames++;
        $this->videoBytes += $size;
        if (str_contains($fields[4], 'K')) {
            $this->keyframes++;
            $this->sinceKeyframe = 0;
        }
        $this->sinceKeyframe++;
        $this->longestGap = max($this->longestGap, $this->sinceKeyframe);
        $time = is_numeric($fields[2]) ? (float) $fields[2] : (is_numeric($fields[1]) ? (float) $fields[1] : null);
        if ($time !== null) {
            $this->slide($time, $size);
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
