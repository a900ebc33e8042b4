<?php

namespace App\Transit;

/** One of the files that are compared. */
final readonly class Source
{
    /**
     * @param  string  $id  within its comparison
     * @param  string  $label  what it is: the cut, an upload, after the host
     * @param  string  $detail  which one, in a few words
     * @param  string|null  $path  null where it is no longer kept
     * @param  string  $key  of its content
     * @param  int  $offset  its frame that stands for the first of the comparison
     * @param  string|null  $likeness  name of its figures in the store; null where it was not measured
     */
    public function __construct(
        public string $id,
        public string $label,
        public string $detail,
        public ?string $path,
        public string $key,
        public int $offset = 0,
        public ?string $likeness = null,
    ) {
    }
}
