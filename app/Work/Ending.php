<?php

namespace App\Work;

/** Why a piece of work is to end before it is done. */
enum Ending
{
    /** The person asked for it. */
    case Stopped;

    /** This process ends, or something else comes first: it goes back into the queue. */
    case Interrupted;

    /** Its lease ran out, and someone else has it. */
    case Lost;
}
