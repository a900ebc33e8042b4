<?php

declare(strict_types=1);

namespace OuterCrate\Analysis;

use OuterCrate\Reading\Reading;
use OuterCrate\Units\Duration;

/** Frames in a row of which something is true; first and last are both among them. */
final readonly class Span
{
    public function __construct(public int $firstFrame, public int $lastFrame)
    {
    }

    public function count(): int
    {
        return $this->lastFrame - $this->firstFrame + 1;
    }

    /**
     * Runs of frames that pass a test, no shorter than the given number of frames.
     *
     * @param  callable(int): bool  $is
     * @return list<self>
     */
    public static function where(int $frames, int $shortest, callable $is): array
    {
        $spans = [];
        $first = null;
        for ($i = 0; $i <= $frames; $i++) {
            if ($i < $frames && $is($i)) {
                $first ??= $i;
            } elseif ($first !== null) {
                if ($i - $first >= $shortest) {
                    $spans[] = new self($first, $i - 1);
                }
                $first = null;
            }
        }

        return $spans;
    }

    /**
     * @return array{firstFrame: int, lastFrame: int, first: string, last: string, length: string} with timecodes, and the length of time
     */
    public function toArray(Reading $reading): array
    {
        $rate = $reading->mainVideo()?->frameRate;

        return [
            'firstFrame' => $this->firstFrame,
            'lastFrame' => $this->lastFrame,
            'first' => (string) $reading->timecode($this->firstFrame),
            'last' => (string) $reading->timecode($this->lastFrame),
            'length' => $rate === null ? '' : (string) new Duration($rate->secondsOf($this->count())),
        ];
    }
}
