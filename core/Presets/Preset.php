<?php

declare(strict_types=1);

namespace OuterCrate\Presets;

use InvalidArgumentException;
use OuterCrate\Devices\Device;
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
        $rules = [];
        foreach ($fields->within('rules')->all() as $cell => $rule) {
            $rules[(string) $cell] = $rule;
        }

        return new self(
            slug: $slug,
            name: $name,
            role: $role,
            host: $fields->text('host'),
            about: $fields->text('about') ?? '',
            rules: new Rules($rules),
            device: $device,
            version: $version ?? $fields->int('revision') ?? 1,
            tags: $fields->texts('tags'),
        );
    }
}
