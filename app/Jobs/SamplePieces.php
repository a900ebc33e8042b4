<?php

namespace App\Jobs;

use App\Packing\Interrupted;
use App\Planning\Planning;
use App\Planning\Samples;
use App\Planning\Surroundings;
use App\Planning\UnknownName;
use Illuminate\Bus\Queueable;
use Illuminate\Contracts\Queue\ShouldQueue;
use Illuminate\Foundation\Bus\Dispatchable;
use Illuminate\Queue\InteractsWithQueue;

/** Encodes pieces of a cut for the estimate that was asked for last, by a worker of its own: a run can take hours, and the sheet does not wait for it. */
class SamplePieces implements ShouldQueue
{
    use Dispatchable;
    use InteractsWithQueue;
    use Queueable;

    public const QUEUE = 'samples';

    private const PAUSE = 1;

    public int $tries = 0;

    public int $timeout = 0;

    public function __construct()
    {
        $this->onQueue(self::QUEUE);
    }

    public function handle(Samples $samples, Planning $planning, Surroundings $surroundings): void
    {
        $sample = $samples->next();
        if ($sample === null || $sample->cut->hasChanged()) {
            $sample?->delete();

            return;
        }
        try {
            $plan = $planning->plans($surroundings->of($sample->cut), [$sample->output])[0];
            $samples->make($sample, $plan, fn (): bool => app('queue.worker')->shouldQuit);
        } catch (Interrupted) {
            $this->release(self::PAUSE);
        } catch (UnknownName) {
            $sample->delete();
        }
    }
}
