<?php

namespace App\Work;

/** The order in which kinds of work are started: higher values first. */
enum Priority: int
{
    /** Lowest: yielding work would otherwise wait as long as a host holds a video, which can be days. */
    case Sending = 5;
    case Analysis = 10;
    case Lesson = 14;
    case Test = 15;
    case Sample = 20;
    case File = 30;

    /** A file that is being made is finished before the next one starts. */
    case PartOfFile = 32;

    /** Short work that somebody is waiting for. */
    case Notice = 40;
}
