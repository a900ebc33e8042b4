<?php

declare(strict_types=1);

namespace OuterCrate\Estimates;

use OuterCrate\Encoding\Encoders;
use OuterCrate\Estimates\Sampling\Sample;
use OuterCrate\Planning\Plan;

/** How long making takes. */
final readonly class TimeEstimate
{
    /** Seconds of sound decoded and coded in one: the usual codecs manage hundreds. */
    private const SOUND_SPEED = 120;

    /** @param  array<string, int>  $learnt pixels per second timed on this machine, by key() */
    public function __construct(private Encoders $encoders, private array $learnt)
    {
    }

    /** What a timed run teaches about: codec, effort, passes, and how large frames are: small ones cost more for each pixel. */
    public static function key(Plan $plan): string
    {
        return ($plan->video->hardware ?? $plan->video->codec->id()).
            "/{$plan->video->effort}/{$plan->bitrate->passes}/".
            (int) round(log($plan->frameSize->picture->pixels(), 4));
    }

    /** Seconds to make the file. Two passes cost about half as much again as one. */
    public function making(Plan $plan, ?Sample $sample = null): float
    {
        if (! $plan->hasVideo()) {
            return $plan->duration->toFloat() / self::SOUND_SPEED + 0.4;
        }
        if ($sample?->secondsPerFrame !== null && ! isset($this->learnt[self::key($plan)])) {
            return $plan->frames * $sample->secondsPerFrame + 0.4;
        }
        $usual = $this->encoders->forVideo($plan->video)->usualSpeed($plan->video);
        $speed = $this->learnt[self::key($plan)] ?? ($plan->bitrate->passes === 2 ? intdiv($usual * 65, 100) : $usual);

        return ($plan->frames * $plan->frameSize->picture->pixels()) / max(1, $speed) + 0.4;
    }
}
