<?php

namespace App\Work;

/**
 * Names work of a kind in the strip at the bottom of every page. It must be cheap to create, because pages request the strip twice a
 * second. The classes that do the work load the engine, its checks and formats.
 */
interface ShownInStrip
{
    /**
     * @param  list<int>  $subjects  of the work, at least one
     * @return array<int, Activity> by subject, without those that no longer exist
     */
    public function activities(array $subjects): array;
}
