<?php

namespace App\Console;

use App\Packing\Packer;
use Illuminate\Console\Command;

class RecoverCommand extends Command
{
    protected $signature = 'crate:recover';

    protected $description = 'After a crash: mark what was under way as failed and remove its unfinished files';

    public function handle(Packer $packer): int
    {
        $count = $packer->recover();
        if ($count > 0) {
            $this->line("{$count} unfinished ".($count === 1 ? 'run was' : 'runs were').' ended by a crash and marked as failed.');
        }

        return self::SUCCESS;
    }
}
