<?php

declare(strict_types=1);

namespace OuterCrate\Transit;

use InvalidArgumentException;
use OuterCrate\Hosts\Recompression\Rung;

/** A viewer's screen, by its lines. */
final readonly class Screen
{
    /** Screens that a test looks at. */
    public const LINES = [480, 720, 1080, 1440, 2160];

    /** @throws InvalidArgumentException when it is none of these */
    public function __construct(public int $lines)
    {
        if (! in_array($lines, self::LINES, true)) {
            throw new InvalidArgumentException("A screen has 480, 720, 1080, 1440 or 2160 lines, not {$lines}.");
        }
    }

    /**
     * The rendition that a player picks: the smallest that fills the screen, or the largest there is.
     *
     * @param  non-empty-list<Rung>  $renditions
     */
    public function pick(array $renditions): Rung
    {
        usort($renditions, static fn (Rung $a, Rung $b): int => $a->shorterSide <=> $b->shorterSide);
        foreach ($renditions as $rung) {
            if ($rung->shorterSide >= $this->lines) {
                return $rung;
            }
        }

        return $renditions[count($renditions) - 1];
    }
}
