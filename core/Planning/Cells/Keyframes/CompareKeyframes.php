<?php

declare(strict_types=1);

namespace OuterCrate\Planning\Cells\Keyframes;

use OuterCrate\Json\Fields;
use OuterCrate\Planning\Difference;
use OuterCrate\Planning\Made;

/** How far keyframes lie apart in a finished file, against the plan. */
final class CompareKeyframes
{
    public static function found(Made $made): string
    {
        return match (true) {
            $made->reading->mainVideo() === null => '–',
            $made->tally->longestGap === 1 => 'every frame',
            default => "{$made->tally->keyframes} · at most {$made->tally->longestGap} frames apart",
        };
    }

    /** @return list<Difference> */
    public static function differences(Fields $planned, Made $made): array
    {
        $frames = $planned->int('frames') ?? 0;
        $gap = $made->tally->longestGap;

        return $made->reading->mainVideo() === null || $gap <= $frames ? [] : [new Difference(
            KeyframesCell::NAME,
            "{$frames} frames",
            "{$gap} frames",
            "Keyframes lie up to {$gap} frames apart; {$frames} were planned.",
        )];
    }
}
