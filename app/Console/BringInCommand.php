<?php

namespace App\Console;

use App\Shelf\CutShelf;
use App\Shelf\ReadingStopped;
use Illuminate\Console\Command;
use OuterCrate\Refusals\Refused;
use Symfony\Component\Console\Output\OutputInterface;

/** Brings one file in for a web process that waits for it, and says in JSON what became of it. */
class BringInCommand extends Command
{
    protected $signature = 'crate:bring-in {path}';

    protected $description = 'Bring in a file for a page';

    public function handle(CutShelf $shelf): int
    {
        try {
            $told = ['cut' => $shelf->bringIn((string) $this->argument('path'))->id];
        } catch (Refused $e) {
            $told = ['refused' => ReadingStopped::words($e)];
        }
        $this->output->writeln((string) json_encode($told, JSON_INVALID_UTF8_SUBSTITUTE), OutputInterface::OUTPUT_RAW);

        return self::SUCCESS;
    }
}
