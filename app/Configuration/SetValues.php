<?php

namespace App\Configuration;

/** Values that a person set, each in place of a key of config/crate.php. The settings read them from the database. */
final class SetValues
{
    /** @var array<string, mixed> by key of the configuration */
    private array $values = [];

    /** @param  array<string, mixed>  $values */
    public function replace(array $values): void
    {
        $this->values = $values;
    }

    /** The value as set, or as configured. */
    public function get(string $key): mixed
    {
        return array_key_exists($key, $this->values) ? $this->values[$key] : config($key);
    }
}
