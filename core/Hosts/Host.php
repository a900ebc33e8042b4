<?php

declare(strict_types=1);

namespace OuterCrate\Hosts;

use OuterCrate\Hosts\Asks\Asks;
use OuterCrate\Hosts\Recompression\Recompression;

/** A place that takes an upload and recompresses it. */
final readonly class Host
{
    /**
     * @param  Recompression|null  $recompression  null where it is not known
     * @param  int  $version  counted up with each save
     * @param  string  $notes  of who keeps it
     * @param  list<Source>  $sources  where its figures came from
     * @param  array<mixed>  $file  that it was read from (resources/schema/host.json)
     */
    public function __construct(
        public string $slug,
        public string $name,
        public string $about,
        public Asks $asks,
        public ?Recompression $recompression = null,
        public int $version = 1,
        public string $notes = '',
        public array $sources = [],
        private array $file = [],
    ) {
    }

    /** @return array<string, mixed> the host's file, with its slug and its version */
    public function toArray(): array
    {
        return ['slug' => $this->slug, 'version' => $this->version, 'file' => $this->file];
    }
}
