<?php

declare(strict_types=1);

namespace OuterCrate\Formats\Video;

/** Whether parts of a file that were encoded separately can become one stream. */
enum Joining
{
    case No;

    /** Streams made with the same encoder settings are concatenated unchanged. */
    case AsTheyAre;

    /** Also, the first of two passes predicts the second, so that all parts together keep an average. */
    case WithPlannedRate;
}
