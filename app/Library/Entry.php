<?php

namespace App\Library;

use Illuminate\Support\Carbon;

/** A version of an item of the library. */
final readonly class Entry
{
    /**
     * @param  bool  $shipped  with the product: it can be a beginning, and is not changed
     * @param  string|null  $savedAt  as the database has it; null where it ships
     */
    public function __construct(
        public Kind $kind,
        public string $slug,
        public int $version,
        public bool $shipped,
        public ItemFile $file,
        public string $note = '',
        private ?string $savedAt = null,
    ) {
    }

    public function name(): string
    {
        return $this->file->name() === '' ? $this->slug : $this->file->name();
    }

    /** ISO 8601; null where it ships. */
    public function savedAt(): ?string
    {
        return $this->savedAt === null ? null : Carbon::parse($this->savedAt)->toIso8601ZuluString();
    }
}
