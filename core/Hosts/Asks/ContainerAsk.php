<?php

declare(strict_types=1);

namespace OuterCrate\Hosts\Asks;

/** Which containers a host takes. */
final readonly class ContainerAsk
{
    /** @param  list<string>  $ids  the preferred one first; empty where it does not say */
    public function __construct(public array $ids, public bool $fastStart)
    {
    }

    public function takes(string $id): bool
    {
        return $this->ids === [] || in_array($id, $this->ids, true);
    }

    /** MP4 or MOV. */
    public function names(): string
    {
        return implode(' or ', array_map(strtoupper(...), $this->ids));
    }

    public function words(): string
    {
        return $this->names().($this->fastStart ? ', fast start' : '');
    }
}
