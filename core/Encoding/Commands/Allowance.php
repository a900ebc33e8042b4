<?php

declare(strict_types=1);

namespace OuterCrate\Encoding\Commands;

/** What a command may take of the machine; the machine's settings say how much that is. */
enum Allowance: string
{
    /** A moment's look at a file that nobody has looked at before. */
    case Look = 'looks';

    /** Making a file, which may take a day. */
    case Run = 'runs';

    /** Encoding a piece for an estimate. */
    case Sample = 'samples';

    /** Looking at all of a cut. */
    case Analysis = 'analysis';
}
