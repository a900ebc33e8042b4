<?php

namespace App\Library;

use App\Schema\Contract;
use OuterCrate\Hosts\Host;

/** @extends Collection<Host> */
class Hosts extends Collection
{
    public function __construct(ShippedHosts $shipped, Contract $contract)
    {
        parent::__construct(Kind::Host, $shipped, $contract);
    }

    /** Falls back to the slug if the host was removed or its file is unreadable. */
    public function nameOf(string $slug): string
    {
        try {
            return $this->need($slug)->name;
        } catch (UnknownName|BrokenFile) {
            return $slug;
        }
    }
}
