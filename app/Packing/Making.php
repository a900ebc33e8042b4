<?php

namespace App\Packing;

use App\Media\OutputFile;
use App\Media\Scratch;
use App\Models\Run;
use App\Work\Meter;

/** A run that is being made: its file, where its passes work, the meter that it is heard by, and its log. */
final readonly class Making
{
    public function __construct(
        public Run $run,
        public OutputFile $file,
        public Scratch $scratch,
        public Meter $meter,
        public RunJournal $journal,
    ) {
    }
}
