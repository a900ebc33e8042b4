<?php

declare(strict_types=1);

namespace OuterCrate\Planning\Cells\Video;

use OuterCrate\Planning\Difference;
use OuterCrate\Planning\Made;

/** Whether a finished file decodes to its end, and shows the cut. */
final class CompareDecoded
{
    /**
     * Structure that a picture shares with the cut at least, of pictures of 32×18: measured, coding a test card at 32 kb/s leaves 0.99 and
     * a tone map of HDR 0.91; a black one has none, and a mirrored test card lies under it.
     */
    private const ALIKE = 0.6;

    /** @return list<Difference> */
    public static function differences(Made $made): array
    {
        $decoded = $made->ends?->made;
        if ($decoded === null) {
            return [];
        }
        $told = [];
        if ($decoded->said !== '') {
            $told[] = new Difference(
                VideoCell::NAME,
                'decodes without a fault',
                $decoded->said,
                "Its own decoder finds a fault in the file: {$decoded->said}. Make it again; if it says so again, choose another codec.",
            );
        }
        if ($decoded->frames !== $made->tally->frames) {
            $told[] = new Difference(
                VideoCell::NAME,
                "{$made->tally->frames} frames to decode",
                "{$decoded->frames} decoded",
                "Of {$made->tally->frames} frames in the file, {$decoded->frames} can be decoded. Make it again.",
            );
        }
        if ($decoded->least !== null && $decoded->least < self::ALIKE) {
            $told[] = new Difference(
                VideoCell::NAME,
                'shows the cut',
                'another picture at frame '.((int) $decoded->leastAt),
                "Frame {$decoded->leastAt} does not show what the cut shows there. Look at both side by side before it goes out.",
            );
        }

        return $told;
    }
}
