<?php

namespace App\Library;

use App\Schema\Contract;
use OuterCrate\Presets\Preset;

class Presets extends JsonFolder
{
    public function __construct(Contract $contract, private readonly Devices $devices)
    {
        parent::__construct($contract);
    }

    /** @return array<string, Preset> */
    public function all(): array
    {
        return $this->items();
    }

    public function find(string $slug): ?Preset
    {
        return $this->items()[$slug] ?? null;
    }

    /**
     * @throws UnknownName
     * @throws BrokenFile
     */
    public function need(string $slug): Preset
    {
        return $this->item($slug);
    }

    protected function folder(): string
    {
        return config('crate.presets');
    }

    protected function besides(): array
    {
        return [config('crate.devices')];
    }

    protected function schema(): string
    {
        return 'preset';
    }

    protected function make(string $slug, array $file): Preset
    {
        return Preset::fromFile($slug, $file, isset($file['device']) ? $this->devices->need($file['device']) : null);
    }
}
