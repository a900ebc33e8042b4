<?php

namespace App\Work;

/** The order in which kinds of work are started: higher values first. */
enum Priority: int
{
    /** Lowest, because work that yields would otherwise wait for days while a video is held at its host. */
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
