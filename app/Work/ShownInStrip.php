<?php

namespace App\Work;

/** A kind of work that the strip at the bottom of every page names while it is under way. */
interface ShownInStrip
{
    /**
     * @param  list<int>  $subjects  of the work, at least one
     * @return array<int, Activity> by subject, without those that no longer exist
     */
    public function activities(array $subjects): array;
}
