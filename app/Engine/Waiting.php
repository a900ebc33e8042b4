<?php

namespace App\Engine;

/** Something that can be waited for: a call to this process. */
interface Waiting
{
    /** Returns after a call since the last wait, after a signal, or after this many seconds. */
    public function wait(float $seconds): void;
}
