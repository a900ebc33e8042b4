<?php

declare(strict_types=1);

namespace OuterCrate\Planning;

/** The drive that files are made on. */
final readonly class Volume
{
    /**
     * @param  int|null  $freeBytes  null when it does not say
     * @param  string|null  $fileSystem  as the system names it: ext4, vfat, ntfs …
     * @param  bool  $holdsCut  the cut is read from the same drive
     * @param  int  $promisedBytes  what is still to be written before: files that wait in the queue, and columns that stand before this one
     */
    public function __construct(
        public ?int $freeBytes = null,
        public ?string $fileSystem = null,
        public bool $holdsCut = false,
        public int $promisedBytes = 0,
    ) {
    }

    public function promising(int $bytes): self
    {
        return new self($this->freeBytes, $this->fileSystem, $this->holdsCut, $this->promisedBytes + $bytes);
    }

    /** The largest file that the file system can hold; null where its limit lies above any video. */
    public function largestFile(): ?int
    {
        // FAT12 to FAT32 keep a file's size in 32 bits (ECMA-107, 11.1.11).
        return in_array($this->fileSystem, ['vfat', 'msdos'], true) ? 4_294_967_295 : null;
    }
}
