<?php

namespace App\Retention;

use OuterCrate\Store\Aged;

/** A kind of data with a retention limit. A new kind is a class and a line in Retention. */
interface Retained
{
    /** Name in settings and in the API. */
    public function name(): string;

    /** @return list<Aged> all items that may be deleted */
    public function items(): array;

    /** @param  list<string>  $ids */
    public function delete(array $ids): void;
}
