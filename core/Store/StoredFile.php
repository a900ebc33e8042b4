<?php

declare(strict_types=1);

namespace OuterCrate\Store;

use OuterCrate\Presets\Role;
use OuterCrate\Units\FrameRange;

/** A file that was made of a cut and lies where it was made. */
final readonly class StoredFile
{
    /** @param  FrameRange  $frames  of the cut that it holds */
    public function __construct(public int $id, public int $cut, public Role $role, public FrameRange $frames)
    {
    }
}
