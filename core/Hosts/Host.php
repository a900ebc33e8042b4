<?php

declare(strict_types=1);

namespace OuterCrate\Hosts;

use OuterCrate\Hosts\Recompression\Recompression;

/** A place that takes an upload and recompresses it. */
final readonly class Host
{
    /** @param  Recompression|null  $recompression  null where it is not known */
    public function __construct(
        public string $slug,
        public string $name,
        public string $about,
        public Asks $asks,
        public ?Recompression $recompression = null,
    ) {
    }
}
