<?php

namespace StandIn\Console;

use App\Supervision\Roster;
use App\Supervision\StandInServices;
use Illuminate\Console\Command;

class StartCommand extends Command
{
    protected $signature = 'standin:start {port}';

    protected $description = 'Serve the stand-in host until Ctrl-C';

    public function handle(): int
    {
        $port = (int) $this->argument('port');
        $folder = storage_path('framework/served');
        is_dir($folder) || mkdir($folder, 0o700, true);
        (new Roster($folder))->define(StandInServices::at($port, base_path(), storage_path()), '127.0.0.1', $port);
        pcntl_exec(PHP_BINARY, [base_path('bin/supervise'), 'guard', $folder]);

        return self::FAILURE;
    }
}
