<?php

namespace App\Console;

use App\Database\Move;
use App\Database\MoveRefused;
use Illuminate\Support\Facades\DB;

class DatabaseCommand extends CrateCommand
{
    protected $signature = 'database
        {what : backup, to copy SQLite while it is in use; move, to carry an SQLite file over into PostgreSQL}
        {file : Where the copy goes, or what is carried over}
        {--json : Print JSON}';

    protected $description = 'Copy the database, or move it to PostgreSQL';

    protected function perform(): int
    {
        $file = $this->absolute((string) $this->argument('file'));
        match ($this->argument('what')) {
            'backup' => $this->backUp($file),
            'move' => (new Move($file))->run(fn (string $table, int $rows) => $this->line(sprintf('%-18s %d', $table, $rows))),
            default => throw new WrongUse("bin/crate database does not know “{$this->argument('what')}”; it knows backup and move."),
        };

        return self::SUCCESS;
    }

    private function backUp(string $file): void
    {
        if (DB::getDriverName() !== 'sqlite') {
            throw new MoveRefused(
                'The database is PostgreSQL, which brings its own program for this.',
                'Use pg_dump; docs/operations.md says how.',
            );
        }
        if (file_exists($file)) {
            throw new MoveRefused('There is a file of this name already.', 'Take another name; nothing is written over.');
        }
        DB::statement('vacuum into ?', [$file]);
    }
}
