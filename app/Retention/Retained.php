<?php

namespace App\Retention;

use OuterCrate\Store\Aged;

/** A kind of thing that is deleted once it is old, or once there is too much of it. A new one is a class and a line in Retention. */
interface Retained
{
    /** In settings and answers. */
    public function name(): string;

    /** @return list<Aged> everything of it that may be deleted */
    public function items(): array;

    /** @param  list<string>  $ids */
    public function delete(array $ids): void;
}
