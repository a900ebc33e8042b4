<?php

namespace App\Library;

use App\Schema\Contract;
use OuterCrate\Presets\Preset;

/** @extends JsonFolder<Preset> */
class ShippedPresets extends JsonFolder
{
    public function __construct(Contract $contract, private readonly Devices $devices)
    {
        parent::__construct($contract);
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

    public function make(string $slug, array $file, ?int $version = null): Preset
    {
        return Preset::fromFile($slug, $file, isset($file['device']) ? $this->devices->need($file['device']) : null, $version);
    }
}
