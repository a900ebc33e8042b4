<?php

declare(strict_types=1);

namespace OuterCrate\Estimates;

use OuterCrate\Encoding\Encoders;
use OuterCrate\Planning\Plan;

/** How long making and sending take. */
final readonly class TimeEstimate
{
    /** @param  array<string, int>  $learnt pixels per second timed on this machine, by key() */
    public function __construct(private Encoders $encoders, private array $learnt)
    {
    }

    /** What a timed run teaches about: codec, encoder and effort. */
    public static function key(Plan $plan): string
    {
        return "{$plan->picture->codec->id()}/{$plan->picture->effort}/{$plan->rate->passes}";
    }

    /** Seconds to make the file. Two passes cost about half as much again as one. */
    public function making(Plan $plan): float
    {
        $usual = $this->encoders->video($plan->picture->codec->id())->usualSpeed($plan->picture);
        $speed = $this->learnt[self::key($plan)] ?? ($plan->rate->passes === 2 ? intdiv($usual * 65, 100) : $usual);

        return $plan->frames * $plan->frameSize->picture->pixels() / max(1, $speed) + 0.4;
    }

    /** Seconds to send the bytes at the line's speed, in bits per second; 4 % go to the protocols underneath. */
    public static function sending(int $bytes, int $bitsPerSecond): float
    {
        return $bytes * 8 * 1.04 / max(1, $bitsPerSecond);
    }
}
