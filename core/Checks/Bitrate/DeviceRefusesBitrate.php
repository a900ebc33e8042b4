<?php

declare(strict_types=1);

namespace OuterCrate\Checks\Bitrate;

use OuterCrate\Analysis\Severity;
use OuterCrate\Checks\Findings\Check;
use OuterCrate\Checks\Findings\Finding;
use OuterCrate\Checks\Findings\Remedy;
use OuterCrate\Estimates\SizeEstimate;
use OuterCrate\Planning\Cells\Bitrate\BitrateCell;
use OuterCrate\Planning\Plan;
use OuterCrate\Planning\Subject;
use OuterCrate\Units\Fraction;

/** A player reads no faster than a peak, and holds no more than a buffer ready. */
final class DeviceRefusesBitrate implements Check
{
    public function look(Plan $plan, Subject $subject, SizeEstimate $estimate): ?Finding
    {
        $device = $plan->spec->preset->device;
        $rate = $plan->bitrate;
        if ($device === null || ($rate->peak !== null && ! $rate->peak->isAbove($device->peak))) {
            return null;
        }
        $isTooMuch = $rate->average === null || $rate->average->isAbove($device->peak);
        $average = $isTooMuch ? $device->peak->times(new Fraction(3, 5)) : $rate->average;

        return new Finding(
            'device-refuses-bitrate',
            Severity::Stop,
            BitrateCell::NAME,
            "{$device->name}s are read at {$device->peak} at most, into a buffer of ".round($device->buffer / 1_000_000, 1).' Mb; '
                .($rate->peak === null ? 'nothing holds this to a peak.' : "the peak is {$rate->peak}."),
            Remedy::adding($plan, "Hold the peak at {$device->peak}", BitrateCell::NAME, [
                'mode' => 'vbr',
                'passes' => 2,
                'average' => ['kbps' => $average->inKilobits()],
                'peak' => ['kbps' => $device->peak->inKilobits()],
            ]),
        );
    }
}
