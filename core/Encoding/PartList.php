<?php

declare(strict_types=1);

namespace OuterCrate\Encoding;

use OuterCrate\Units\FrameRange;
use OuterCrate\Units\FrameRate;

/** The list by which the engine joins parts, each as long as its frames last. */
final class PartList
{
    public const FILE = 'parts.ffconcat';

    /**
     * @param  list<array{name: string, range: FrameRange}>  $parts  names in the working folder, of letters, digits, hyphens and full stops
     * @param  FrameRate  $rate  of the file, which is the cut's
     */
    public static function of(array $parts, FrameRate $rate): string
    {
        $lines = ['ffconcat version 1.0'];
        foreach ($parts as $part) {
            // Microseconds, in which the engine counts here, are finer than any clock of a file that is made.
            $micro = $rate->secondsOf($part['range']->count())->times(1_000_000)->round();
            $lines[] = "file {$part['name']}";
            $lines[] = sprintf('duration %d.%06d', intdiv($micro, 1_000_000), $micro % 1_000_000);
        }

        return implode("\n", $lines)."\n";
    }
}
