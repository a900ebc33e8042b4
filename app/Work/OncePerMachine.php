<?php

namespace App\Work;

/** Work that fills a machine, and is spread over several of them: one that has something of these kinds in hand takes none. */
interface OncePerMachine
{
    /** @return list<string> kinds of work */
    public function fills(): array;
}
