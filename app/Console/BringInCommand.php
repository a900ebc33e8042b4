<?php

namespace App\Console;

use App\Database\Unavailable;
use App\Media\CutReader;
use App\Media\ReadingStopped;
use App\Shelf\CutShelf;
use Illuminate\Console\Command;
use OuterCrate\Refusals\Refused;
use Symfony\Component\Console\Output\OutputInterface;
use Throwable;

/** Brings in or reads one file for a web process that waits for it, and answers in JSON. */
class BringInCommand extends Command
{
    protected $signature = 'crate:bring-in {path} {--only-read : Read the file without bringing it in}';

    protected $description = 'Bring in a file for a page';

    public function handle(CutShelf $shelf, CutReader $reader): int
    {
        try {
            $path = (string) $this->argument('path');
            $told = $this->option('only-read')
                ? array_diff_key($reader->read($path), ['reading' => true])
                : ['cut' => $shelf->bringIn($path)->id];
        } catch (Throwable $e) {
            $refused = $e instanceof Refused ? $e : Unavailable::of($e) ?? throw $e;
            $told = ['refused' => ReadingStopped::words($refused)];
        }
        $this->output->writeln((string) json_encode($told, JSON_INVALID_UTF8_SUBSTITUTE), OutputInterface::OUTPUT_RAW);

        return self::SUCCESS;
    }
}
