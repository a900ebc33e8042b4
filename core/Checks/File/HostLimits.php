<?php

declare(strict_types=1);

namespace OuterCrate\Checks\File;

use OuterCrate\Checks\Check;
use OuterCrate\Checks\Finding;
use OuterCrate\Checks\Remedy;
use OuterCrate\Checks\Severity;
use OuterCrate\Checks\Subject;
use OuterCrate\Estimates\SizeEstimate;
use OuterCrate\Formats\RateMode;
use OuterCrate\Planning\Cell;
use OuterCrate\Planning\Plan;
use OuterCrate\Units\ByteCount;
use OuterCrate\Units\Duration;
use OuterCrate\Units\Fraction;

/** The upload is longer, larger or has a larger frame than the host takes. */
final class HostLimits implements Check
{
    public function look(Plan $plan, Subject $subject): ?Finding
    {
        $host = $plan->spec->host;
        if ($host === null) {
            return null;
        }
        $asks = $host->asks;
        if ($asks->mostSeconds !== null && $plan->duration->compare($asks->mostSeconds) > 0) {
            $most = new Duration(new Fraction($asks->mostSeconds));

            return new Finding('too-long-for-host', Severity::Stop, Cell::Container, "{$host->name} takes at most {$most}; the cut lasts ".new Duration($plan->duration).'. Shorten it before you send it there.');
        }
        $frame = $plan->frameSize->frame;
        if ($asks->mostFrame !== null && ($frame->width > $asks->mostFrame->width || $frame->height > $asks->mostFrame->height)) {
            return new Finding('frame-too-large-for-host', Severity::Stop, Cell::FrameSize, "{$host->name} takes frames of at most {$asks->mostFrame}, not {$frame}.", Remedy::adding($plan, "Pad into {$asks->mostFrame}", Cell::FrameSize, ['exact' => (string) $asks->mostFrame]));
        }
        $bytes = SizeEstimate::of($plan, $subject->reading)->bytes;
        if ($asks->mostBytes !== null && $bytes > $asks->mostBytes) {
            return new Finding('too-large-for-host', Severity::Stop, Cell::Rate, "{$host->name} takes files of at most ".new ByteCount($asks->mostBytes).'; this one comes to about '.new ByteCount($bytes).'. Lower the average.', $this->under($plan, $asks->mostBytes));
        }

        return null;
    }

    private function under(Plan $plan, int $bytes): ?Remedy
    {
        return in_array(RateMode::Vbr, $plan->picture->codec->rateModes(), true)
            ? Remedy::adding($plan, 'Stay under it', Cell::Rate, ['mode' => 'vbr', 'passes' => 2, 'average' => ['bytes' => $bytes], 'peak' => ['timesAverage' => 1.5]]) : null;
    }
}
