<?php

declare(strict_types=1);

namespace OuterCrate\Checks\Video;

use OuterCrate\Analysis\Severity;
use OuterCrate\Checks\Findings\Check;
use OuterCrate\Checks\Findings\Finding;
use OuterCrate\Checks\Findings\Remedy;
use OuterCrate\Encoding\Encoders;
use OuterCrate\Encoding\Video\LimitsBitrate;
use OuterCrate\Estimates\SizeEstimate;
use OuterCrate\Planning\Cells\Bitrate\BitrateCell;
use OuterCrate\Planning\Plan;
use OuterCrate\Planning\Subject;

/** The codec could carry the bitrate, but the encoder that would make it does not open. */
final class EncoderRefusesBitrate implements Check
{
    public function __construct(private readonly Encoders $encoders)
    {
    }

    public function look(Plan $plan, Subject $subject, SizeEstimate $estimate): ?Finding
    {
        $encoder = $this->encoders->forVideo($plan->video);
        $average = $plan->bitrate->average;
        if (! $encoder instanceof LimitsBitrate || $average === null || ! $average->isAbove($encoder->mostAverage())) {
            return null;
        }
        $most = $encoder->mostAverage();

        return new Finding(
            'encoder-refuses-bitrate',
            Severity::Stop,
            BitrateCell::NAME,
            "The {$plan->video->codec->name()} encoder takes an average of at most {$most}, not {$average}.",
            Remedy::adding($plan, "Lower the average to {$most}", BitrateCell::NAME, ['average' => ['kbps' => $most->inKilobits()]]),
        );
    }
}
