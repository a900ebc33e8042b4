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

        return [...$differences, ...self::held($made), ...self::ends($made)];
    }

    /**
     * Frames come at a steady rate in every file that is made; half a frame is left for containers that count in milliseconds. Images count
     * in whatever their reader takes.
     *
     * @return list<Difference>
     */
    private static function held(Made $made): array
    {
        $tally = $made->tally;
        $places = $tally->shortestStep > 0 ? (int) round($tally->longestStep / $tally->shortestStep) : 1;

        return $places < 2 ? [] : [new Difference(
            FrameRateCell::NAME,
            'each frame as long as the next',
            "one is held for {$places}",
            "A frame is held for {$places} frames, and what follows comes later than it should. Pack it again in another container.",
        )];
    }

    /** @return list<Difference> */
    private static function ends(Made $made): array
    {
        $told = [];
        [$counted, $decoded] = [$made->ends->counted ?? 0, $made->ends->decoded ?? 0];
        if ($decoded < $counted) {
            $told[] = new Difference(
                FrameRateCell::NAME,
                "{$counted} frames of the cut",
                "{$decoded} decoded",
                "The cut counts {$counted} frames, and {$decoded} of them can be decoded. Play it through there, or export it again.",
            );
        }
        foreach (['first' => $made->ends->first ?? 0, 'last' => $made->ends->last ?? 0] as $which => $shift) {
            if ($shift !== 0) {
                $by = abs($shift) === 1 ? 'a frame ' : abs($shift).' frames ';
                $by .= $shift > 0 ? 'later' : 'earlier';
                $told[] = new Difference(
                    FrameRateCell::NAME,
                    "{$which} picture as planned",
                    $by,
                    "The {$which} picture is not the one planned: it lies {$by} in the cut.",
                );
            }
        }

        return $told;
    }
}
