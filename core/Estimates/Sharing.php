<?php

declare(strict_types=1);

namespace OuterCrate\Estimates;

use OuterCrate\Planning\Plan;
use OuterCrate\Reading\Reading;

/**
 * Which files are made of a cut together. They share its decoding, which pays the more the longer that takes beside what is encoded;
 * but none of them is there before all are, and each takes memory.
 */
final readonly class Sharing
{
    /** Files at once at most. */
    public const MOST = 4;

    /** Share of a file's time that its decoding has to take: under it, hours of waiting would be given for seconds of work. */
    private const WORTH = 0.04;

    /** Seconds of a file for which nobody is kept waiting, and which begin in no time where another has begun already. */
    private const BRIEF = 30;

    /** Frames that an encoder is reckoned to hold at once: what it looks ahead at, what it refers to, and what its threads have in hand. */
    private const FRAMES = 80;

    /**
     * @param  Reading  $reading  of the cut
     * @param  int  $memory  bytes that may be taken
     */
    public function __construct(private TimeEstimate $times, private Reading $reading, private int $memory)
    {
    }

    /**
     * @param  non-empty-list<Plan>  $plans  in their order
     * @return int<1, max> how many of the first are made together
     */
    public function of(array $plans): int
    {
        $bytes = 0;
        foreach ($plans as $i => $plan) {
            $bytes += self::bytes($plan);
            $isShared = $i < self::MOST && $bytes <= $this->memory && $this->isWorth($plan) && self::ofTheSame($plan, $plans[0]);
            if (! $isShared) {
                return max(1, $i);
            }
        }

        return count($plans);
    }

    private function isWorth(Plan $plan): bool
    {
        if (! $plan->hasVideo()) {
            // Sound alone is there in a moment.
            return false;
        }
        $decoding = DecodeTime::of($this->reading, $plan->range->count()) * ($plan->bitrate->passes === 2 ? 2 : 1);
        $making = $this->times->making($plan);

        return $making < self::BRIEF || $decoding >= self::WORTH * $making;
    }

    private static function ofTheSame(Plan $plan, Plan $other): bool
    {
        return $plan->range->first === $other->range->first && $plan->range->last === $other->range->last;
    }

    /** Of the frames that its encoder holds. */
    private static function bytes(Plan $plan): int
    {
        if (! $plan->hasVideo()) {
            return 0;
        }

        return (int) (self::FRAMES * $plan->frameSize->frame->pixels() * $plan->colour->pixelFormat->bytesPerPixel());
    }
}
