<?php

namespace App\Console;

use App\Upkeep\Upgrade;
use Illuminate\Console\Command;
use OuterCrate\Refusals\Refused;

class UpgradeCommand extends Command
{
    protected $signature = 'crate:upgrade {--if-there : Only a database that is there already}';

    protected $description = 'Copy the database and bring it to this version';

    public function handle(Upgrade $upgrade): int
    {
        $file = (string) config('database.connections.sqlite.database');
        if ($this->option('if-there') && config('database.default') === 'sqlite' && ! is_file($file)) {
            return self::SUCCESS;
        }
        try {
            $upgrade->run(fn (string $what) => $this->line("· {$what}"));
        } catch (Refused $e) {
            fwrite(STDERR, "{$e->getMessage()}\n");

            return self::FAILURE;
        }

        return self::SUCCESS;
    }
}
