<?php

namespace App\Console;

use OuterCrate\Hosts\Tables\HostRows;
use OuterCrate\Hosts\Tables\PastedTable;
use OuterCrate\Hosts\Tables\TableFigure;

class ReadTableCommand extends CrateCommand
{
    protected $signature = 'read-table
        {file : A text with a table that was copied from a host’s help page}
        {--json : Print the rows of a host file, asks.bitrates of resources/schema/host.json}';

    protected $description = 'Say what was understood of a pasted table of rates, for a host file';

    protected function perform(): int
    {
        $path = $this->file();
        $text = is_file($path) ? (string) file_get_contents($path) : throw new WrongUse("There is no such file: {$path}.");
        ['figures' => $figures, 'remarks' => $remarks] = PastedTable::read(mb_scrub($text, 'UTF-8'));
        if ($this->option('json')) {
            $this->json(HostRows::of($figures));
        } else {
            array_map(fn (TableFigure $figure) => $this->line(self::inWords($figure)), $figures);
        }
        foreach ($remarks as $line => $remark) {
            $this->getOutput()->getErrorStyle()->writeln("line {$line} is no rate: {$remark}");
        }
        if ($figures === []) {
            throw new WrongUse('No rates were understood. Copy the table with its heading, a frame size at the start of each line.');
        }

        return self::SUCCESS;
    }

    /** 2160p, high rates, HDR: 53 Mb/s to 68 Mb/s (no unit is said) */
    private static function inWords(TableFigure $figure): string
    {
        return $figure->words().($figure->guessed ? ' (no unit is said)' : '');
    }
}
