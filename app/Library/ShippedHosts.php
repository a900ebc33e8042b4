<?php

namespace App\Library;

use App\Schema\Contract;
use OuterCrate\Hosts\Host;
use OuterCrate\Hosts\HostFile;

/** @extends JsonFolder<Host> */
class ShippedHosts extends JsonFolder
{
    public function __construct(Contract $contract, private readonly HostFile $reader)
    {
        parent::__construct($contract);
    }

    protected function folder(): string
    {
        return config('crate.hosts');
    }

    protected function schema(): string
    {
        return 'host';
    }

    public function make(string $slug, array $file, ?int $version = null): Host
    {
        return $this->reader->host($slug, $file, $version);
    }
}
