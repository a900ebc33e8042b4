<?php

namespace App\History;

use Illuminate\Support\Carbon;

/** Selects deliveries. A parameter that is null selects all. */
final readonly class DeliveryFilter
{
    /**
     * @param  string  $text  every word must occur in the name of the file, cut, preset or host
     * @param  string|null  $host  slug; empty for files without a host
     * @param  Carbon|null  $from  made at this time or later
     * @param  Carbon|null  $until  made before this time
     */
    public function __construct(
        public string $text = '',
        public ?int $cut = null,
        public ?string $preset = null,
        public ?string $host = null,
        public ?Carbon $from = null,
        public ?Carbon $until = null,
    ) {
    }
}
