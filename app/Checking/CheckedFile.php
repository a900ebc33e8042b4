<?php

namespace App\Checking;

/** What reading, packing and comparing a file came to. */
final readonly class CheckedFile
{
    /**
     * @param  int|null  $decoded  frames of it that can be decoded
     * @param  int|null  $planned  frames that were planned
     * @param  int|null  $made  frames of the packed file that can be decoded
     * @param  float|null  $lag  milliseconds by which the packed sound comes late against the picture
     * @param  list<string>  $differs  what is not as it was; nothing where the file is right
     * @param  string|null  $refused  why it is no cut
     */
    public function __construct(
        public string $name,
        public ?string $rate = null,
        public ?int $decoded = null,
        public ?int $planned = null,
        public ?int $made = null,
        public ?float $lag = null,
        public array $differs = [],
        public ?string $refused = null,
    ) {
    }

    /** @return array<string, mixed> */
    public function toArray(): array
    {
        return get_object_vars($this);
    }
}
