<?php

declare(strict_types=1);

namespace OuterCrate\Pieces;

use OuterCrate\Refusals\Declines;
use OuterCrate\Refusals\Refused;
use OuterCrate\Units\FrameRange;
use RuntimeException;

/** A list from which no pieces come; nothing was changed. */
final class NoPieces extends RuntimeException implements Refused
{
    use Declines;

    private function __construct(string $what, string $todo)
    {
        $this->say($what, $todo);
    }

    public static function line(int $line, string $what): self
    {
        return new self("Line {$line}: {$what}", 'Put that right, and bring the list in again.');
    }

    public static function empty(): self
    {
        return new self('There is no place in this list.', 'Bring in a CMX 3600 EDL, a CSV with a place on each line, or WebVTT chapters.');
    }

    public static function outside(): self
    {
        return new self(
            'None of these places lies in the range.',
            'The list may be of another cut, or count from another timecode: compare its first place with the cut’s.',
        );
    }

    public static function overlap(FrameRange $one, FrameRange $other): self
    {
        return new self(
            "Two pieces overlap: frames {$one->first} to {$one->last} and {$other->first} to {$other->last}.",
            'No frame is in two files: part them in the list.',
        );
    }

    public static function tooMany(int $count, int $most): self
    {
        return new self("These are {$count} pieces; {$most} are the most.", 'Choose a shorter range, or fewer places.');
    }
}
