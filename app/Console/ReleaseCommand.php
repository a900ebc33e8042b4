<?php

namespace App\Console;

use App\Dispatch\Dispatches;
use App\Models\Dispatch;
use App\Resources\DispatchResource;
use InvalidArgumentException;

class ReleaseCommand extends CrateCommand
{
    protected $signature = 'release
        {id : Which dispatch, as bin/crate sent lists it}
        {--when=now : now, ready (when all sizes are there), at, or never, which takes back what was said}
        {--at= : 2026-11-28T18:30, with --when=at}
        {--zone= : Whose clocks show it; this machine’s when left out}
        {--json : Print JSON}';

    protected $description = 'Release what is held at its host';

    protected function perform(): int
    {
        $dispatch = Dispatch::query()->find((int) $this->argument('id'))
            ?? throw new WrongUse('There is no such dispatch: bin/crate sent.');
        $when = $this->option('when');
        in_array($when, ['now', 'ready', 'at', 'never'], true) || throw new WrongUse('--when is now, ready, at or never.');
        try {
            app(Dispatches::class)->release($dispatch, $when === 'never' ? null : $when, $this->option('at'), $this->option('zone'));
        } catch (InvalidArgumentException $e) {
            throw new WrongUse($e->getMessage());
        }
        $told = DispatchResource::of($dispatch->refresh());
        $this->option('json') ? $this->json(['dispatch' => $told]) : $this->line("{$dispatch->id}  {$told['stageWords']}");

        return self::SUCCESS;
    }
}
