<?php

namespace App\Library;

use OuterCrate\Hosts\Host;

class Hosts extends JsonFolder
{
    /** @return array<string, Host> */
    public function all(): array
    {
        return $this->items();
    }

    public function find(string $slug): ?Host
    {
        return $this->items()[$slug] ?? null;
    }

    protected function folder(): string
    {
        return config('crate.hosts');
    }

    protected function schema(): string
    {
        return 'host';
    }

    protected function make(string $slug, array $file): Host
    {
        return Host::fromFile($slug, $file);
    }
}
