<?php

declare(strict_types=1);

namespace OuterCrate\Checks;

use OuterCrate\Planning\Cell;
use OuterCrate\Planning\Plan;
use OuterCrate\Units\Fraction;

/** The cut is itself a small lossy file: spending more than it holds mostly makes the upload larger. */
final class RateAboveCut implements Check
{
    private const LOSSY = ['h264', 'hevc', 'mpeg2video', 'vp9', 'av1', 'mpeg4'];

    public function look(Plan $plan, Subject $subject): ?Finding
    {
        $video = $subject->reading->mainVideo();
        $average = $plan->rate->average;
        if ($average === null || $video === null || ! in_array($video->codec, self::LOSSY, true)) {
            return null;
        }
        $own = $subject->reading->videoBitrate();
        if (! $average->isAbove($own->times(new Fraction(3, 2)))) {
            return null;
        }

        return new Finding(
            'rate-above-cut',
            Severity::Note,
            Cell::Rate,
            "The cut’s own picture runs at {$own} {$video->codecName}. {$average} keeps what is there but cannot add to it.",
        );
    }
}
