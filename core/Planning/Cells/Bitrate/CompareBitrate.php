<?php

declare(strict_types=1);

namespace OuterCrate\Planning\Cells\Bitrate;

use OuterCrate\Json\Fields;
use OuterCrate\Planning\Difference;
use OuterCrate\Planning\Made;
use OuterCrate\Units\Bitrate;
use OuterCrate\Units\ByteCount;

/** The bitrate of a finished file’s picture against the plan. */
final class CompareBitrate
{
    /** Rate control settles over seconds: a tenth over the average counts … */
    private const OVER = 1.1;

    /** … and so does a file that needed much less. */
    private const UNDER = 0.85;

    public static function found(Made $made, Fields $planned): string
    {
        if ($made->reading->mainVideo() === null) {
            return '–';
        }
        $label = (string) self::of($made);
        $wanted = preg_replace('~^.*?· ~u', '', $planned->text('label') ?? '');

        return $planned->int('average') === null ? $label : "{$label} · planned {$wanted}";
    }

    /** @return list<Difference> */
    public static function differences(Fields $planned, Made $made): array
    {
        $most = $planned->int('target');
        if ($most !== null && $made->reading->bytes > $most) {
            [$most, $bytes] = [new ByteCount($most), new ByteCount($made->reading->bytes)];

            return [new Difference(
                BitrateCell::NAME,
                "under {$most}",
                (string) $bytes,
                "The file came to {$bytes} and was to stay under {$most}. Ask for a little less, or for two passes.",
            )];
        }
        $average = $planned->int('average');
        if ($average === null || $made->reading->mainVideo() === null) {
            return [];
        }
        $asked = new Bitrate($average);
        $got = self::of($made);

        return match (true) {
            $got->bitsPerSecond > $average * self::OVER => [new Difference(
                BitrateCell::NAME,
                (string) $asked,
                (string) $got,
                "The picture runs at {$got}, over the {$asked} planned.",
            )],
            $got->bitsPerSecond < $average * self::UNDER => [new Difference(
                BitrateCell::NAME,
                (string) $asked,
                (string) $got,
                "The picture needed only {$got} of the {$asked} planned.",
            )],
            default => [],
        };
    }

    private static function of(Made $made): Bitrate
    {
        return Bitrate::ofBytes($made->tally->videoBytes, $made->reading->duration);
    }
}
