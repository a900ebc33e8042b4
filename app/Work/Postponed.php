<?php

namespace App\Work;

use RuntimeException;

/** It cannot be done yet: it goes back into the queue, and is tried again after a while. */
final class Postponed extends RuntimeException
{
    /** Seconds until a drive is asked again. */
    private const DRIVE = 30;

    public function __construct(string $why, public readonly int $seconds)
    {
        parent::__construct($why);
    }

    /** @param  string  $what  that does not answer */
    public static function forDrive(string $what): self
    {
        return new self(
            "It waits for a drive that does not answer: {$what}. See to the drive, or to its network, and it goes on by itself.",
            self::DRIVE,
        );
    }
}
