<?php

namespace App\Settings;

/** What settings have in common that stand in for a key of the configuration. */
trait Configured
{
    abstract public function configured(): ?string;

    public function current(): mixed
    {
        return config((string) $this->configured());
    }

    public function told(mixed $value): mixed
    {
        return $value;
    }
}
