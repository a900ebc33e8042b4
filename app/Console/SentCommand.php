<?php

namespace App\Console;

use App\Models\Dispatch;
use App\Resources\DispatchResource;

class SentCommand extends CrateCommand
{
    protected $signature = 'sent
        {what? : list, which is what happens anyway}
        {--json : Print JSON}';

    protected $description = 'What was sent where, and what became of it';

    protected function perform(): int
    {
        in_array($this->argument('what'), [null, 'list'], true) || throw new WrongUse('bin/crate sent knows list.');
        $all = DispatchResource::all(Dispatch::listed()->get());
        if ($this->option('json')) {
            $this->json(['dispatches' => $all]);

            return self::SUCCESS;
        }
        foreach ($all as $one) {
            $this->line(rtrim(sprintf(
                '%4d  %-13s %-12s %s  %s', $one['id'], $one['stageWords'], $one['account']['host'], $one['file'], $one['problem'] ?? '',
            )));
        }

        return self::SUCCESS;
    }
}
