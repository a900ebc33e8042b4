<?php

namespace App\Console;

use App\Database\DatabaseFile;
use App\Engine\Clock;
use App\Packing\ClearLeftovers;
use App\Retention\Retention;
use App\Settings\Settings;
use App\Upkeep\Housekeeping;
use App\Uploads\Uploads;
use App\Watching\Watcher;
use App\Work\Calls\Calls;
use Illuminate\Console\Command;
use Illuminate\Support\Facades\DB;
use Throwable;

/** Looks into the watch folders until it is told to end, or has run for an hour. */
class WatchLoopCommand extends Command
{
    private const LONGEST = 3600;

    /** Seconds until the next look after one that failed. */
    private const FAILED_PAUSE = 5.0;

    protected $signature = 'crate:watch {--once : Look once}';

    protected $description = 'Bring in and pack what arrives in the watch folders';

    public function handle(
        Watcher $watcher,
        Settings $settings,
        Calls $calls,
        Housekeeping $housekeeping,
        Uploads $uploads,
        ClearLeftovers $leftovers,
        Retention $retention,
    ): int {
        $ending = false;
        $begun = Clock::seconds();
        $kept = -INF;
        $this->trap([SIGINT, SIGTERM, SIGQUIT], function () use (&$ending): void {
            $ending = true;
        });
        do {
            try {
                DatabaseFile::look();
                $settings->refresh();
                $pause = $watcher->look();
                if (Clock::seconds() - $kept > Housekeeping::EVERY_SECONDS) {
                    $kept = Clock::seconds();
                    $housekeeping->run();
                    $uploads->expire();
                    $leftovers->sweep();
                    $retention->apply();
                }
            } catch (Throwable $e) {
                report($e);
                DB::purge();
                $pause = self::FAILED_PAUSE;
            }
            // A signal cuts it short, and so does a folder that was added.
            $this->option('once') || $ending ?: $calls->wait($pause);
        } while (! $this->option('once') && ! $ending && Clock::seconds() - $begun < self::LONGEST);

        return self::SUCCESS;
    }
}
