<?php

declare(strict_types=1);

namespace OuterCrate\Slips\HashLists;

use DateTimeImmutable;

/** A file as a hash list names it. */
final readonly class HashedFile
{
    /**
     * @param  string  $path  within the folder of the list
     * @param  string  $xxh64  in 16 small hexadecimal digits
     * @param  DateTimeImmutable  $hashed  when
     */
    public function __construct(
        public string $path,
        public int $bytes,
        public DateTimeImmutable $modified,
        public string $xxh64,
        public DateTimeImmutable $hashed,
    ) {
    }
}
