<?php

declare(strict_types=1);

namespace OuterCrate\Reading;

/**
 * Whether frames come at a constant rate, judged by their presentation times and not by what the header claims.
 */
final readonly class PacketTimes
{
    /** @param  list<float>  $seconds presentation times, in any order */
    public function __construct(private array $seconds)
    {
    }

    /**
     * Times that a container rounds to milliseconds still count as constant: a gap may differ from the
     * median by a fifth of it plus 1.5 ms. One odd gap (an edit, a dropped frame) does not make a file variable.
     */
    public function areVariable(): bool
    {
        $gaps = $this->gaps();
        if (count($gaps) < 8) {
            return false;
        }
        $sorted = $gaps;
        sort($sorted);
        $median = $sorted[intdiv(count($sorted), 2)];
        $odd = count(array_filter($gaps, static fn (float $gap): bool => abs($gap - $median) > $median / 5 + 0.0015));

        return $odd > max(1, count($gaps) / 50);
    }

    /** The shortest gap that recurs (the tenth percentile), in seconds; null for fewer than 8 gaps. */
    public function shortestUsualGap(): ?float
    {
        $gaps = $this->gaps();
        if (count($gaps) < 8) {
            return null;
        }
        sort($gaps);

        return $gaps[intdiv(count($gaps), 10)];
    }

    /** @return list<float> */
    private function gaps(): array
    {
        $times = $this->seconds;
        sort($times);
        $gaps = [];
        for ($i = 1; $i < count($times); $i++) {
            if ($times[$i] > $times[$i - 1]) {
                $gaps[] = $times[$i] - $times[$i - 1];
            }
        }

        return $gaps;
    }
}
