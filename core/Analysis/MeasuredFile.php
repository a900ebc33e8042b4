<?php

declare(strict_types=1);

namespace OuterCrate\Analysis;

/** Names of the small files that a measuring pass writes and that are read here; they lie in one working folder. */
final class MeasuredFile
{
    public const GLANCES = 'glances';

    public const DETAIL = 'detail';

    public const FIELDS = 'fields';

    public const REPEATS = 'repeats';

    public const ROWS = 'rows';

    public const COLUMNS = 'columns';

    public const GRADIENTS = 'gradients';

    public const GRAIN = 'grain';

    public const LIGHT = 'light';

    public const LOUDNESS = 'loudness';

    public const MIX = 'mix';

    public const PEAKS = 'peaks';

    public const PROXY = 'proxy.h264';

    /** Rows and columns are each averaged in this many parts. */
    public const PARTS = 8;
}
