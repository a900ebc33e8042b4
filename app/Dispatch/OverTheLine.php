<?php

namespace App\Dispatch;

/** Kinds of work that talk to hosts: one piece of each after another, since two that share a line bring neither sooner. */
trait OverTheLine
{
    /** Below whatever uses this machine: that does not give way to what waits for a host, for days where it is held. */
    public function priority(): int
    {
        return 5;
    }

    public function givesWay(): bool
    {
        return false;
    }

    public function atOnce(): ?int
    {
        return 1;
    }

    public function staleAfter(): ?int
    {
        return null;
    }
}
