<?php

declare(strict_types=1);

namespace OuterCrate\Dispatch;

use OuterCrate\Presets\Role;

/** What is known of a file that is to be sent. */
final readonly class FileFacts
{
    /**
     * @param  Role|null  $role  what it was made as; null where it was not made here
     * @param  bool  $isProject  it holds no picture
     * @param  string  $host  where it is to go, by name
     * @param  string|null  $madeFor  the host that it was made for, by name
     * @param  string|null  $newer  a file that was made later for the same
     * @param  int  $differences  that its slip tells of
     * @param  bool|null  $isUnchanged  null where nothing is known to compare it with, or it was not looked at
     * @param  string|null  $sentBefore  day on which it was sent to this host
     */
    public function __construct(
        public string $name,
        public int $bytes,
        public float $seconds,
        public bool $hasSound,
        public ?Role $role,
        public string $host,
        public bool $isProject = false,
        public ?string $madeFor = null,
        public ?string $newer = null,
        public int $differences = 0,
        public bool $cutChanged = false,
        public ?bool $isUnchanged = null,
        public ?string $sentBefore = null,
    ) {
    }
}
