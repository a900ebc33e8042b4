<?php

namespace App\Settings;

use App\Configuration\SetValues;

/** What settings have in common that stand in for a key of the configuration. */
trait Configured
{
    abstract public function configured(): ?string;

    public function current(): mixed
    {
        return app(SetValues::class)->get((string) $this->configured());
    }

    public function told(mixed $value): mixed
    {
        return $value;
    }
}
