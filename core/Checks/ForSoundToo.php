<?php

declare(strict_types=1);

namespace OuterCrate\Checks;

/** A check that also tells of files without a picture. */
interface ForSoundToo
{
}
