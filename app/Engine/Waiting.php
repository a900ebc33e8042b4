<?php

namespace App\Engine;

/** Waits for a call to this process. */
interface Waiting
{
    /** Returns when a call has arrived since the last wait, on a signal, or after this many seconds. */
    public function wait(float $seconds): void;
}
