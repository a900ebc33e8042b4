<?php

namespace App\Configuration;

/** Folders of this machine, as full paths. */
final readonly class FolderSettings
{
    /** @param  list<string>  $media  that cuts are brought in from */
    public function __construct(public string $deliveries, public array $media, public string $uploads, public string $derived)
    {
    }

    public static function of(SetValues $values): self
    {
        return new self(
            deliveries: (string) $values->get('crate.deliveries'),
            media: array_values(array_map(strval(...), (array) $values->get('crate.media_folders'))),
            uploads: (string) config('crate.uploads'),
            derived: (string) config('crate.derived'),
        );
    }
}
