<?php

declare(strict_types=1);

namespace OuterCrate\Formats\Video;

/** Whether parts of a file that were encoded by themselves become one stream. */
enum Joining
{
    case No;

    /** Their streams are joined as they are, when their encoder was told the same. */
    case AsTheyAre;

    /** And the first of two passes tells what the second will spend, so that an average is kept over all parts. */
    case WithPlannedRate;
}
