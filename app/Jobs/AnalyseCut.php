<?php

namespace App\Jobs;

use App\Analysis\CutAnalyses;
use App\Packing\Interrupted;
use Illuminate\Bus\Queueable;
use Illuminate\Contracts\Queue\ShouldQueue;
use Illuminate\Foundation\Bus\Dispatchable;
use Illuminate\Queue\InteractsWithQueue;

/**
 * Analyses a cut on the queue, behind every run: the one whose sheet was opened last. It goes back to its place when a run is
 * waiting, or another cut is opened.
 */
class AnalyseCut implements ShouldQueue
{
    use Dispatchable;
    use InteractsWithQueue;
    use Queueable;

    public const QUEUE = 'analysis';

    /** Seconds until it is looked at again whether a run is still under way. */
    private const PAUSE = 2;

    public int $tries = 0;

    public int $timeout = 0;

    public function __construct()
    {
        $this->onQueue(self::QUEUE);
    }

    public function handle(CutAnalyses $analyses): void
    {
        $analysis = $analyses->next();
        if ($analysis === null) {
            return;
        }
        try {
            $analyses->make($analysis, fn (): bool => app('queue.worker')->shouldQuit);
        } catch (Interrupted) {
            // A run that another process makes would have it taken up and put down again and again.
            $this->release(self::PAUSE);
        }
    }
}
