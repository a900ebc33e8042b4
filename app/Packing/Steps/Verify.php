<?php

namespace App\Packing\Steps;

use App\Database\Durably;
use App\Media\CutFile;
use App\Models\Run;
use App\Packing\Inspection\Inspector;
use App\Packing\Run\FileInProgress;

/** Compares the file with its plan and writes its slip, if the cut has not changed. */
class Verify implements Step
{
    public function __construct(private readonly Inspector $inspector)
    {
    }

    public function run(FileInProgress $file): void
    {
        $run = $file->run;
        $slip = $this->inspector->slip($run, $file->stored, $file->made, $file->output(), $file->tries, $file->meter);
        CutFile::needUnchanged($run->source, $run->cut_state, $run->cut_name);
        $file->watch->need($run);
        // A worker that takes over after this point recognises the published file by its checksum on the slip.
        $written = ['slip' => $slip->toArray(), 'card' => Run::cardOf($run->plan, $slip->toArray())];
        Durably::write(fn () => $file->meter->write(fn () => $run->update($written)));
    }
}
