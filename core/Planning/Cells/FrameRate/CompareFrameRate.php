<?php

declare(strict_types=1);

namespace OuterCrate\Planning\Cells\FrameRate;

use OuterCrate\Json\Fields;
use OuterCrate\Planning\Difference;
use OuterCrate\Planning\Made;
use OuterCrate\Reading\VideoReading;

/** Frame rate, scan and number of frames of a finished file against the plan. */
final class CompareFrameRate
{
    public static function found(Made $made): string
    {
        return self::words($made->reading->mainVideo());
    }

    /** 29.97 · interlaced. */
    public static function words(?VideoReading $video): string
    {
        return $video === null ? '–' : $video->frameRate->label().($video->variableRate ? ' · variable' : '')
            .($video->scan->isInterlaced() ? ' · interlaced' : '');
    }

    /** @return list<Difference> */
    public static function differences(Fields $planned, Made $made): array
    {
        $video = $made->reading->mainVideo();
        if ($video === null) {
            return [];
        }
        $differences = [];
        $rate = $video->frameRate;
        if ($planned->text('rate') !== (string) $rate) {
            $differences[] = new Difference(
                FrameRateCell::NAME,
                $planned->text('label') ?? '',
                $rate->label(),
                "The frame rate came out as {$rate->label()} ({$rate}).",
            );
        } elseif ($planned->text('scan') !== $video->scan->value) {
            $differences[] = new Difference(
                FrameRateCell::NAME,
                $planned->text('scan') ?? '',
                $video->scan->value,
                "The file says {$video->scan->label()}.",
            );
        }
        $frames = $made->tally->frames;
        if ($made->frames !== $frames) {
            $differences[] = new Difference(
                FrameRateCell::NAME,
                "{$made->frames} frames",
                "{$frames} frames",
                "{$made->frames} frames were planned and {$frames} are there.",
            );
        }

        return $differences;
    }
}
