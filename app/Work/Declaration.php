<?php

namespace App\Work;

/** Everything the queue knows about a kind of work. A new kind declares it once, in its own class. */
final readonly class Declaration
{
    /**
     * @param  string  $name  in the database
     * @param  string  $does  what a worker does, as in “makes files”
     * @param  string  $failure  message for an unexpected error
     * @param  class-string<ShownInStrip>|null  $shows  names it in the strip; null for work that the strip leaves out
     * @param  bool  $yields  whether it stops as soon as work of a higher priority, or wanted later, is waiting
     * @param  int|null  $atOnce  how many run at once on all machines; null for no limit
     * @param  int|null  $staleAfter  seconds after which unwanted work is dropped; null where it is always done
     * @param  bool  $delaysEnd  whether workers that stop at the end of the queue do it first
     */
    public function __construct(
        public string $name,
        public string $does,
        public string $failure,
        public WorkerGroup $group,
        public Priority $priority,
        public ?string $shows = null,
        public bool $yields = false,
        public ?int $atOnce = null,
        public ?int $staleAfter = null,
        public bool $delaysEnd = false,
    ) {
    }
}
