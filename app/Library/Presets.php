<?php

namespace App\Library;

use App\Schema\Contract;
use OuterCrate\Presets\Preset;

/** @extends Collection<Preset> */
class Presets extends Collection
{
    public function __construct(ShippedPresets $shipped, Contract $contract)
    {
        parent::__construct(Kind::Preset, $shipped, $contract);
    }
}
