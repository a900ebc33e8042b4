<?php

namespace App\Console;

use App\Database\Move;
use App\Database\MoveRefused;
use App\Supervision\Roster;
use App\Upkeep\Copies;
use Illuminate\Support\Facades\DB;

class DatabaseCommand extends CrateCommand
{
    protected $signature = 'database
        {what : backup (copy SQLite while it is in use), copies (list those made before upgrades), restore, or move (SQLite to PostgreSQL)}
        {file? : Where the copy goes, which one is put back (the newest when left out), or what is moved}
        {--json : Print JSON}';

    protected $description = 'Copy the database, or move it to PostgreSQL';

    protected function perform(): int
    {
        $what = (string) $this->argument('what');
        $named = $this->argument('file');
        if ($named === null && in_array($what, ['backup', 'move'], true)) {
            throw new WrongUse("Say which file: bin/crate database {$what} FILE.");
        }
        $file = $named === null ? '' : $this->absolute((string) $named);
        match ($what) {
            'copies' => array_map($this->line(...), Copies::all()),
            'restore' => $this->restore($file),
            'backup' => $this->backUp($file),
            'move' => (new Move($file))->run(fn (string $table, int $rows) => $this->line(sprintf('%-18s %d', $table, $rows))),
            default => throw new WrongUse("bin/crate database does not know “{$what}”; it knows backup, copies, restore and move."),
        };

        return self::SUCCESS;
    }

    private function restore(string $file): void
    {
        if (config('database.default') !== 'sqlite') {
            throw new MoveRefused(
                'The database is PostgreSQL, which brings its own program for this.',
                'Use pg_restore; docs/operations.md says how.',
            );
        }
        foreach (glob(storage_path('framework/served/*'), GLOB_ONLYDIR) ?: [] as $folder) {
            if ((new Roster($folder))->isAlive(Roster::GUARD)) {
                throw new MoveRefused('Outer Crate is running.', 'Stop it first: bin/start --stop --port '.basename($folder).'.');
            }
        }
        $copy = $file === '' ? Copies::all()[0] ?? null : $file;
        if ($copy === null) {
            throw new MoveRefused('There is no copy.', 'Name a file: bin/crate database restore FILE.');
        }
        $this->line("{$copy} is in place now. The database that was there is kept as ".Copies::restore($copy).'.');
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
