<?php

declare(strict_types=1);

namespace OuterCrate\Presets;

use InvalidArgumentException;
use OuterCrate\Devices\Device;
use OuterCrate\Devices\DeviceFile;
use OuterCrate\Json\Fields;

/** Saved, versioned rules for an output (docs/formats.md, resources/schema/preset.json). */
final readonly class Preset
{
    /**
     * @param  string|null  $host slug of the host it was made for
     * @param  Device|null  $device  whose limits its files keep
     * @param  int  $version  counted up with each save
     * @param  list<string>  $tags  words that it is found by
     */
    public function __construct(
        public string $slug,
        public string $name,
        public Role $role,
        public ?string $host,
        public string $about,
        public Rules $rules,
        public ?Device $device = null,
        public int $version = 1,
        public array $tags = [],
    ) {
    }

    /**
     * @param  Fields  $document  as toArray wrote it
     *
     * @throws InvalidArgumentException when it is no such document
     */
    public static function fromArray(Fields $document): self
    {
        $device = $document->within('device');

        return self::fromFile(
            $document->needText('slug'),
            $document->within('file')->all(),
            $document->has('device') ? DeviceFile::device($device->needText('slug'), $device->within('file')->all()) : null,
            $document->needInt('version'),
        );
    }

    /**
     * What a stored plan holds of it: its file, and the device with all that it says.
     *
     * @return array<string, mixed>
     */
    public function toArray(): array
    {
        return [
            'slug' => $this->slug,
            'version' => $this->version,
            'file' => [
                'name' => $this->name,
                'role' => $this->role->value,
                'host' => $this->host,
                'about' => $this->about,
                'rules' => (object) $this->rules->rules,
                'tags' => $this->tags,
            ],
            'device' => $this->device?->toArray(),
        ];
    }

    /**
     * @param  array<mixed>  $file  a preset file, decoded
     * @param  Device|null  $device  that the file names
     * @param  int|null  $version  the file's own `revision` when null
     *
     * @throws InvalidArgumentException when a part that every preset has is missing
     */
    public static function fromFile(string $slug, array $file, ?Device $device = null, ?int $version = null): self
    {
        $fields = new Fields($file);
        $name = $fields->text('name');
        $role = Role::tryFrom($fields->text('role') ?? '');
        if ($name === null || $role === null) {
            throw new InvalidArgumentException("The preset {$slug} has no name or no role.");
        }

        return new self(
            slug: $slug,
            name: $name,
            role: $role,
            host: $fields->text('host'),
            about: $fields->text('about') ?? '',
            rules: Rules::fromArray($fields->within('rules')),
            device: $device,
            version: $version ?? $fields->int('revision') ?? 1,
            tags: $fields->texts('tags'),
        );
    }
}
