<?php

declare(strict_types=1);

namespace OuterCrate\Reading\Packets;

use OuterCrate\Json\Fields;
use OuterCrate\Units\FrameRate;

/**
 * When the frames of a stream are shown, and what that says: how far one usually lies from the next, whether they come evenly, how
 * many there are and for how long they last. Headers are not asked: a frame that is held long makes every average wrong.
 */
final readonly class FrameTimes
{
    /** Share of frames that may claim the time of another before the clock counts as broken: a recorder's slip is no broken clock. */
    private const MOST_SHARED = 0.05;

    /**
     * @param  int  $frames  that are shown
     * @param  int  $untimed  of them, frames without a time
     * @param  int  $shared  of them, frames with the time of another
     * @param  bool  $firstTimed  the first of them has a time
     * @param  float|null  $usualGap  seconds from one frame to the next, on average over those gaps that are usual
     * @param  int  $usualGaps  how many of those were seen
     * @param  float|null  $shortestGap  seconds; the shortest that recurs
     * @param  bool  $variable  they come unevenly
     * @param  float  $span  seconds from the first frame to the last
     * @param  float|null  $lastLasts  seconds for which the last one is shown; null where nothing says so
     */
    public function __construct(
        public int $frames,
        public int $untimed,
        public int $shared,
        public bool $firstTimed,
        public ?float $usualGap,
        public int $usualGaps,
        public ?float $shortestGap,
        public bool $variable,
        public float $span,
        public ?float $lastLasts,
    ) {
    }

    public static function fromFields(Fields $fields): self
    {
        return new self(
            frames: $fields->int('frames') ?? 0,
            untimed: $fields->int('untimed') ?? 0,
            shared: $fields->int('shared') ?? 0,
            firstTimed: $fields->bool('firstTimed') ?? true,
            usualGap: $fields->float('usualGap'),
            usualGaps: $fields->int('usualGaps') ?? 0,
            shortestGap: $fields->float('shortestGap'),
            variable: $fields->bool('variable') ?? false,
            span: $fields->float('span') ?? 0.0,
            lastLasts: $fields->float('lastLasts'),
        );
    }

    public function clock(): Clock
    {
        return match (true) {
            ! $this->firstTimed => Clock::Counted,
            $this->shared > $this->frames * self::MOST_SHARED => Clock::Broken,
            default => Clock::Told,
        };
    }

    /**
     * Frames that these last at a constant rate: as many as there are, unless one is held longer than the others, or shown for less
     * than a frame.
     */
    public function length(FrameRate $rate): int
    {
        if ($this->untimed > 0 || $this->clock()->isByCount()) {
            return $this->frames;
        }
        $perSecond = $rate->perSecond->toFloat();

        return (int) round($this->span * $perSecond) + max(1, (int) round(($this->lastLasts ?? 0.0) * $perSecond));
    }

    /** @return array<string, int|float|bool|null> */
    public function toArray(): array
    {
        return [
            'frames' => $this->frames,
            'untimed' => $this->untimed,
            'shared' => $this->shared,
            'firstTimed' => $this->firstTimed,
            'usualGap' => $this->usualGap,
            'usualGaps' => $this->usualGaps,
            'shortestGap' => $this->shortestGap,
            'variable' => $this->variable,
            'span' => $this->span,
            'lastLasts' => $this->lastLasts,
        ];
    }
}
