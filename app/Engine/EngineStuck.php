<?php

namespace App\Engine;

use OuterCrate\Refusals\Refused;
use OuterCrate\Refusals\Says;
use RuntimeException;

/** The engine cannot even be ended: a drive that it reads or writes does not answer. What it had in hand is left alone until that does. */
final class EngineStuck extends RuntimeException implements Refused
{
    use Says;

    /** @param  int  $process  of this machine, which is there still */
    public function __construct(public readonly int $process)
    {
        $this->say(
            'A drive that the engine reads or writes does not answer, and the engine waits for it.',
            'See to the drive, or to its network: it goes on by itself.',
        );
    }

    public function id(): string
    {
        return 'engine';
    }

    public function status(): int
    {
        return 503;
    }
}
