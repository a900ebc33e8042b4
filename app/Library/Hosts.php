<?php

namespace App\Library;

use OuterCrate\Formats\Catalogue;
use OuterCrate\Hosts\Host;
use OuterCrate\Hosts\HostFile;

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

    /**
     * @throws UnknownName
     * @throws BrokenFile
     */
    public function need(string $slug): Host
    {
        return $this->item($slug);
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
        return (new HostFile(new Catalogue))->host($slug, $file);
    }
}
