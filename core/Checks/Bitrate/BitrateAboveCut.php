<?php

declare(strict_types=1);

namespace OuterCrate\Checks\Bitrate;

use OuterCrate\Analysis\Severity;
use OuterCrate\Checks\Findings\Check;
use OuterCrate\Checks\Findings\Finding;
use OuterCrate\Checks\Findings\Remedy;
use OuterCrate\Estimates\SizeEstimate;
use OuterCrate\Formats\Catalogue;
use OuterCrate\Formats\KnownCodecs;
use OuterCrate\Planning\Cells\Bitrate\BitrateCell;
use OuterCrate\Planning\Plan;
use OuterCrate\Planning\Subject;
use OuterCrate\Units\Bitrate;
use OuterCrate\Units\Fraction;

/** The cut is itself a small lossy file: spending more than it holds mostly makes the upload larger. */
final class BitrateAboveCut implements Check
{
    public function look(Plan $plan, Subject $subject, SizeEstimate $estimate): ?Finding
    {
        $video = $subject->reading->mainVideo();
        $average = $plan->bitrate->average;
        if ($average === null || $video === null || ! KnownCodecs::facts($video->codec)->isForDelivery) {
            return null;
        }
        $own = $subject->reading->videoBitrate();
        // A newer codec says the same with fewer bits: the cut's rate is counted in those of the output's codec.
        $codecs = (new Catalogue)->videoCodecs();
        $theirs = ($codecs[$video->codec] ?? null)?->quality()?->bitsPerPixel;
        $ours = $plan->video->codec->quality()?->bitsPerPixel;
        $alike = $theirs === null || $ours === null ? $own : new Bitrate((int) round(($own->bitsPerSecond * $ours) / $theirs));
        $enough = $alike->times(new Fraction(3, 2));
        if (! $average->isAbove($enough)) {
            return null;
        }

        return new Finding(
            'bitrate-above-cut',
            Severity::Note,
            BitrateCell::NAME,
            "The cut’s own picture runs at {$own} {$video->codecName}".
                ($alike->bitsPerSecond === $own->bitsPerSecond ? '' : ", as good as about {$alike} {$plan->video->codec->name()}").
                ". {$average} keeps what is there but cannot add to it.",
            // What the host asks stays the floor.
            $plan->askedAverage()?->isAbove($enough) === true
                ? null
                : Remedy::adding($plan, "Lower the average to {$enough}", BitrateCell::NAME, [
                    'average' => ['kbps' => $enough->inKilobits()],
                    'peak' => ['timesAverage' => 1.5],
                ]),
        );
    }
}
