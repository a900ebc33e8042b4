<?php

namespace App\Packing\Steps;

use App\Database\Durably;
use App\Media\CutFile;
use App\Models\Run;
use App\Packing\Inspection\Inspector;
use App\Packing\Run\FileInProgress;

/** Compares the file with its plan and writes its slip, provided that the cut is still the one that was planned. */
class Verify implements Step
{
    public function __construct(private readonly Inspector $inspector)
    {
    }

    public function run(FileInProgress $file): void
    {
        $run = $file->run;
        $slip = $this->inspector->slip($run, $file->stored, $file->made, $file->file(), $file->tries, $file->meter);
        CutFile::needUnchanged($run->source, $run->cut_state, $run->cut_name);
        $file->watch->need($run);
        // From here on the file may have its name: whoever takes over finds it by what the slip says.
        $written = ['slip' => $slip->toArray(), 'card' => Run::cardOf($run->plan, $slip->toArray())];
        Durably::write(fn () => $file->meter->write(fn () => $run->update($written)));
    }
}
