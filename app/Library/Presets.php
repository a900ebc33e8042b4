<?php

namespace App\Library;

use OuterCrate\Presets\Preset;

class Presets extends JsonFolder
{
    /** @return array<string, Preset> */
    public function all(): array
    {
        return $this->items();
    }

    public function find(string $slug): ?Preset
    {
        return $this->items()[$slug] ?? null;
    }

    protected function folder(): string
    {
        return config('crate.presets');
    }

    protected function schema(): string
    {
        return 'preset';
    }

    protected function make(string $slug, array $file): Preset
    {
        return Preset::fromFile($slug, $file);
    }
}
