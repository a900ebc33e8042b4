<?php

declare(strict_types=1);

namespace OuterCrate\Checks\Findings;

/** A check that also tells of files without a picture. */
interface ForSoundToo
{
}
