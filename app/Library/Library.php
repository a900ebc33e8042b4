<?php

namespace App\Library;

/** Presets and hosts, reached by what they are. */
class Library
{
    public function __construct(public readonly Presets $presets, public readonly Hosts $hosts)
    {
    }

    /** @return Collection<covariant object> */
    public function of(Kind $kind): Collection
    {
        return match ($kind) {
            Kind::Preset => $this->presets,
            Kind::Host => $this->hosts,
        };
    }
}
