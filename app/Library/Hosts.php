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
}
