<?php

declare(strict_types=1);

namespace OuterCrate\Reading\Packets;

/** What the times of a stream's frames are worth. */
enum Clock: string
{
    /** Every frame, or every few, says when it is shown. */
    case Told = 'told';

    /** The container tells no time of presentation (AVI, byte streams): frames follow each other at the stated rate. */
    case Counted = 'counted';

    /** Many frames claim the time of another: a player would drop them. They are taken one after the other. */
    case Broken = 'broken';

    /** Frames are found by counting from the start of the file, and not by their times. */
    public function isByCount(): bool
    {
        return $this !== self::Told;
    }
}
