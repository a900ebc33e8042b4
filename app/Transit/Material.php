<?php

namespace App\Transit;

use OuterCrate\Reading\Reading;

/** A file of pieces that something is made of, or that is measured. */
final readonly class Material
{
    /** @param  string  $key  of its content */
    public function __construct(public string $path, public string $key, public Reading $reading)
    {
    }
}
