<?php

declare(strict_types=1);

namespace OuterCrate\Planning\Values;

use OuterCrate\Json\Fields;

/** What the file is called and which folder it goes to. */
final readonly class FileValue implements Value
{
    public const CELL = 'file';

    /**
     * @param  string  $name  with its ending
     * @param  string  $folder  below the folder for deliveries, with `/` between its parts; empty for that folder itself
     * @param  string  $template  that the name was filled from
     * @param  int  $version  the first that is free
     * @param  string  $first  name of the first version
     */
    public function __construct(
        public string $name,
        public string $folder,
        public string $template,
        public int $version,
        private string $first = '',
    ) {
    }

    /** Folder and name, as one path below the folder for deliveries. */
    public function path(): string
    {
        return ltrim("{$this->folder}/{$this->name}", '/');
    }

    /** The path that the first version has, or had. */
    public function firstPath(): string
    {
        return ltrim("{$this->folder}/{$this->first}", '/');
    }

    public static function fromArray(Fields $value): self
    {
        return new self(
            name: $value->needText('name'),
            folder: $value->text('folder') ?? '',
            template: $value->text('template') ?? '',
            version: $value->int('version') ?? 1,
            first: $value->text('first') ?? '',
        );
    }

    public function label(): string
    {
        return $this->path();
    }

    public function canChange(): bool
    {
        return true;
    }

    public function toArray(): array
    {
        return [
            'label' => $this->label(),
            'name' => $this->name,
            'folder' => $this->folder,
            'template' => $this->template,
            'version' => $this->version,
            'first' => $this->first,
        ];
    }
}
