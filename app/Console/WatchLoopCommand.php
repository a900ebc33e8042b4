<?php

namespace App\Console;

use App\Database\DatabaseFile;
use App\Engine\Clock;
use App\Settings\Settings;
use App\Watching\Watcher;
use Illuminate\Console\Command;
use Illuminate\Support\Facades\DB;
use Throwable;

/** Looks into the watch folders until it is told to end, or has run for an hour. */
class WatchLoopCommand extends Command
{
    private const LONGEST = 3600;

    /** Microseconds between looks. */
    private const PAUSE = 2_000_000;

    protected $signature = 'crate:watch {--once : Look once}';

    protected $description = 'Bring in and pack what arrives in the watch folders';

    public function handle(Watcher $watcher, Settings $settings): int
    {
        $ending = false;
        $begun = Clock::seconds();
        $this->trap([SIGINT, SIGTERM, SIGQUIT], function () use (&$ending): void {
            $ending = true;
        });
        do {
            try {
                DatabaseFile::look();
                $settings->apply();
                $watcher->look();
            } catch (Throwable $e) {
                report($e);
                DB::purge();
            }
            // A signal cuts it short.
            $this->option('once') ?: usleep(self::PAUSE);
        } while (! $this->option('once') && ! $ending && Clock::seconds() - $begun < self::LONGEST);

        return self::SUCCESS;
    }
}
