<?php

namespace App\Engine;

/** Signal numbers on Linux (signal(7)). PHP-FPM has no pcntl extension, which would define these constants. */
final class Signal
{
    public const ABORT = 6;

    public const KILL = 9;

    public const SEGMENT = 11;

    public const TERM = 15;

    public const CONTINUE = 18;

    public const STOP = 19;

    public const PROCESSOR_TIME = 24;

    public const FILE_SIZE = 25;
}
