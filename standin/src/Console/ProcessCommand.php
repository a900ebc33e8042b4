<?php

namespace StandIn\Console;

use App\Engine\Clock;
use Illuminate\Console\Command;
use Illuminate\Support\Facades\DB;
use StandIn\Processing\Processing;
use Throwable;

class ProcessCommand extends Command
{
    /** Microseconds between looks: for a while after something was done, and then. */
    private const PAUSE = 200_000;

    private const LONG_PAUSE = 2_000_000;

    private const LIVELY_SECONDS = 60.0;

    protected $signature = 'standin:process {--until-done : End when nothing waits}';

    protected $description = 'Make the renditions of what has arrived';

    public function handle(Processing $processing): int
    {
        $processing->takeUp();
        $lively = Clock::seconds();
        while (true) {
            try {
                $isBusy = $processing->one();
            } catch (Throwable $e) {
                report($e);
                DB::purge();
                $isBusy = false;
            }
            if (! $isBusy && $this->option('until-done')) {
                return self::SUCCESS;
            }
            $lively = $isBusy ? Clock::seconds() : $lively;
            $isBusy ?: usleep(Clock::seconds() - $lively < self::LIVELY_SECONDS ? self::PAUSE : self::LONG_PAUSE);
        }
    }
}
