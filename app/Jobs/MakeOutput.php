<?php

namespace App\Jobs;

use App\Models\Run;
use App\Packing\Interrupted;
use App\Packing\Packer;
use Illuminate\Bus\Queueable;
use Illuminate\Contracts\Queue\ShouldQueue;
use Illuminate\Foundation\Bus\Dispatchable;
use Illuminate\Queue\InteractsWithQueue;

/** Makes the file of one run on the queue. */
class MakeOutput implements ShouldQueue
{
    use Dispatchable;
    use InteractsWithQueue;
    use Queueable;

    /** Failures are recorded on the run; only an ending worker hands it back. */
    public int $tries = 0;

    public int $timeout = 0;

    public function __construct(public readonly int $runId)
    {
    }

    public function handle(Packer $packer): void
    {
        $run = Run::query()->find($this->runId);
        if ($run === null) {
            return;
        }
        try {
            $packer->make($run, fn (): bool => app('queue.worker')->shouldQuit);
        } catch (Interrupted) {
            $this->release();
        }
    }
}
