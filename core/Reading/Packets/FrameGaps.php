<?php

declare(strict_types=1);

namespace OuterCrate\Reading\Packets;

/** How far frames lie from one another, judged by their times alone. */
final readonly class FrameGaps
{
    /** Fewer gaps than these tell no rhythm. */
    private const FEWEST = 8;

    /** @var list<float> seconds, in the order of showing */
    private array $gaps;

    /** Frames that claim the time of another. */
    public int $shared;

    /** @param  list<float>  $seconds  times of presentation, in any order */
    public function __construct(array $seconds)
    {
        sort($seconds);
        $gaps = [];
        $shared = 0;
        for ($i = 1; $i < count($seconds); $i++) {
            $gap = $seconds[$i] - $seconds[$i - 1];
            $gap > 0.0 ? $gaps[] = $gap : $shared++;
        }
        $this->gaps = $gaps;
        $this->shared = $shared;
    }

    /**
     * Times that a container rounds to milliseconds still count as constant: a gap may differ from the median by a fifth of it plus
     * 1.5 ms. One odd gap (an edit, a dropped frame) does not make a file variable, and neither does a first frame that is held.
     */
    public function areVariable(): bool
    {
        $gaps = array_slice($this->gaps, 1);

        return count($gaps) >= self::FEWEST && count($gaps) - count($this->usual($gaps)) > max(1, count($gaps) / 50);
    }

    /** The average of the usual gaps, in seconds; null for fewer than two gaps. */
    public function usualGap(): ?float
    {
        $usual = count($this->gaps) < 2 ? [] : $this->usual($this->gaps);

        return $usual === [] ? null : array_sum($usual) / count($usual);
    }

    public function usualGaps(): int
    {
        return count($this->usual($this->gaps));
    }

    /** The shortest gap that recurs (the tenth percentile), in seconds; null where too few were seen. */
    public function shortestUsualGap(): ?float
    {
        $gaps = $this->gaps;
        sort($gaps);

        return count($gaps) < self::FEWEST ? null : $gaps[intdiv(count($gaps), 10)];
    }

    /**
     * @param  list<float>  $gaps
     * @return list<float>
     */
    private function usual(array $gaps): array
    {
        $sorted = $gaps;
        sort($sorted);
        $median = $sorted[intdiv(count($sorted), 2)] ?? 0.0;

        return array_values(array_filter($gaps, static fn (float $gap): bool => abs($gap - $median) <= $median / 5 + 0.0015));
    }
}
