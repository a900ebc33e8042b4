<?php

declare(strict_types=1);

namespace OuterCrate\Estimates;

use OuterCrate\Formats\Picture\BitrateMode;
use OuterCrate\Formats\Video\Joining;
use OuterCrate\Planning\Plan;
use OuterCrate\Reading\Reading;
use OuterCrate\Units\FrameRange;

/**
 * Into which parts a long file is divided, so that several machines make it: each part of the cut is encoded by itself, and they are joined
 * as they are. Nothing may reach over a border: no filter that looks at other frames, no reference between them. An average is kept over
 * all of them: in two passes, what falls to each is planned when all have been through the first (RateCurve).
 */
final readonly class Dividing
{
    /** Files in which parts meet to the frame, each of which counts exactly itself (PassBuilder::part()). */
    private const CONTAINERS = ['mp4', 'mov', 'matroska', 'webm'];

    /**
     * @param  float  $leastSeconds  that a part takes: under it, beginning and joining cost more than they win
     * @param  int  $each  parts for each machine, at most: with several, the slower one takes fewer, and each costs its beginning
     */
    public function __construct(private TimeEstimate $times, private float $leastSeconds, private int $each)
    {
    }

    /**
     * @param  int  $machines  that would make parts, this one among them
     * @return list<FrameRange> of the cut, in order; none when it is made as a whole
     */
    public function of(Plan $plan, Reading $reading, int $machines): array
    {
        if ($machines < 2 || ! self::canBeJoined($plan, $reading)) {
            return [];
        }
        $parts = min($machines * $this->each, (int) floor($this->times->making($plan) / $this->leastSeconds));
        $step = max(1, $plan->keyframes->frames);
        $groups = intdiv($plan->range->count(), $step);
        // As many for each: what is left over would be waited for.
        $parts = intdiv(min($parts, $groups), $machines) * $machines;
        if ($parts < 2) {
            return [];
        }
        $ranges = [];
        $first = $plan->range->first;
        for ($part = 1; $part <= $parts; $part++) {
            // Where a keyframe would be due anyway.
            $next = $part === $parts ? $plan->range->last + 1 : $plan->range->first + $step * intdiv($groups * $part, $parts);
            $ranges[] = new FrameRange($first, $next - 1);
            $first = $next;
        }

        return $ranges;
    }

    private static function canBeJoined(Plan $plan, Reading $reading): bool
    {
        $video = $reading->mainVideo();
        $bitrate = $plan->bitrate;

        return $video !== null
            && $plan->hasVideo()
            && in_array($plan->container->container->id(), self::CONTAINERS, true)
            && $plan->video->codec->facts()->joining !== Joining::No
            && $plan->video->hardware === null
            && ($plan->keyframes->isIntra() || $plan->keyframes->closed)
            && (self::isConstant($plan) || self::isPlanned($plan))
            // Each frame of the file is one of the cut.
            && $plan->frameRate->rate->equals($video->frameRate)
            && $plan->frameRate->fields === null
            && ! $plan->frameRate->scan->isInterlaced()
            && $video->isEven()
            && ! $video->clock->isByCount();
    }

    /** Nothing is promised of the whole, or of every second, which no part could keep by itself. */
    private static function isConstant(Plan $plan): bool
    {
        $bitrate = $plan->bitrate;

        return ($plan->keyframes->isIntra() || $bitrate->quality !== null)
            && $bitrate->passes === 1 && $bitrate->peak === null && $bitrate->target === null;
    }

    /** Its encoder leaves what a rate is planned from, and says nothing in the stream of how a buffer is filled. */
    private static function isPlanned(Plan $plan): bool
    {
        return $plan->bitrate->mode === BitrateMode::Vbr && $plan->bitrate->passes === 2 && $plan->bitrate->average !== null
            && $plan->video->codec->facts()->joining === Joining::WithPlannedRate
            && ! $plan->keyframes->isIntra()
            && $plan->spec->preset->device?->statesBuffer !== true;
    }
}
