<?php

namespace App\Console;

use App\Analysis\CutAnalyses;
use App\Engine\Capabilities;
use App\Sampling\Samples;
use App\Uploads\Uploads;
use Illuminate\Console\Command;

/** At a start: what an upgrade or the passing of time calls for. */
class CatchUpCommand extends Command
{
    protected $signature = 'crate:catch-up';

    protected $description = 'Look at cuts that were never looked at, or by an older version, and forget what has expired';

    public function handle(CutAnalyses $analyses, Uploads $uploads, Samples $samples, Capabilities $capabilities): int
    {
        // Encoders in graphics chips are tried here, where nobody waits for an answer; runs try them again once a day.
        $capabilities->hardware();
        $uploads->expire();
        $samples->prune();
        $analyses->askMissing();

        return self::SUCCESS;
    }
}
