<?php

declare(strict_types=1);

namespace OuterCrate\Encoding\Filters;

use OuterCrate\Formats\Picture\Scan;

/** How two fields become one frame, in the engine's filter notation. */
final class FieldFilters
{
    /** Weights of a line and its neighbours above and below: both fields count the same. */
    public const BLENDED = 'convolution=0m=0 1 0 0 2 0 0 1 0:1m=0 1 0 0 2 0 0 1 0:2m=0 1 0 0 2 0 0 1 0:0rdiv=0.25:1rdiv=0.25:2rdiv=0.25';

    /** The first field of each frame, its missing lines made up from the fields around it. */
    public static function interpolated(Scan $scan): string
    {
        return 'bwdif=mode=send_frame:parity='.($scan === Scan::BottomFieldFirst ? 'bff' : 'tff').':deint=all';
    }
}
