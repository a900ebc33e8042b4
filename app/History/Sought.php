<?php

namespace App\History;

use Illuminate\Support\Carbon;

/** What somebody looks for among the files that were made. Null where it does not matter. */
final readonly class Sought
{
    /**
     * @param  string  $text  its words are found in the names of file, cut, preset and host
     * @param  string|null  $host  slug; empty for files that stay here
     * @param  Carbon|null  $from  made then or later
     * @param  Carbon|null  $until  made before
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
