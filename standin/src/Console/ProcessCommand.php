<?php

namespace StandIn\Console;

use Illuminate\Console\Command;
use Illuminate\Support\Facades\DB;
use StandIn\Processing\Processing;
use Throwable;

class ProcessCommand extends Command
{
    private const PAUSE = 200_000;

    protected $signature = 'standin:process {--until-done : End when nothing waits}';

    protected $description = 'Make the renditions of what has arrived';

    public function handle(Processing $processing): int
    {
        $processing->takeUp();
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
            $isBusy ?: usleep(self::PAUSE);
        }
    }
}
