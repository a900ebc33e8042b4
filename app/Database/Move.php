<?php

namespace App\Database;

use Closure;
use Illuminate\Database\Connection;
use Illuminate\Support\Facades\DB;

/** Carries everything over from an SQLite file into an empty PostgreSQL of the same version. The file is only read. */
final class Move
{
    /** Rows that are carried at a time. */
    private const ROWS = 200;

    private const OWN = 'migrations';

    private readonly Connection $from;

    private readonly Connection $to;

    public function __construct(string $file)
    {
        if (! is_file($file)) {
            throw new MoveRefused('There is no such database.', 'Name the file that DB_DATABASE named before.');
        }
        config(['database.connections.moving' => ['driver' => 'sqlite', 'database' => $file, 'prefix' => '']]);
        $this->from = DB::connection('moving');
        $this->to = DB::connection();
    }

    /**
     * @param  Closure(string, int): void  $told  of each table and its rows
     *
     * @throws MoveRefused
     */
    public function run(Closure $told): void
    {
        if ($this->to->getDriverName() !== 'pgsql') {
            throw new MoveRefused('The database is not PostgreSQL.', 'Set DB_CONNECTION=pgsql and where it is in .env first.');
        }
        if ($this->migrations($this->from) !== $this->migrations($this->to)) {
            throw new MoveRefused(
                'The two are not of the same version.',
                'Start Outer Crate once on the old one with this version, then php artisan migrate on the new one.',
            );
        }
        $tables = $this->tables();
        foreach ($tables as $table) {
            if ($this->to->table($table)->exists()) {
                throw new MoveRefused("There is something in the new database already: {$table}.", 'Make an empty one, and migrate it.');
            }
        }
        $this->to->transaction(function () use ($tables, $told): void {
            foreach ($tables as $table) {
                $told($table, $this->carry($table));
            }
        });
    }

    private function carry(string $table): int
    {
        $count = 0;
        foreach ($this->from->table($table)->cursor()->chunk(self::ROWS) as $rows) {
            $this->to->table($table)->insert($rows->map(fn (object $row): array => (array) $row)->values()->all());
            $count += $rows->count();
        }
        // Numbers that are given out go on after the last.
        if ($count > 0 && $this->to->getSchemaBuilder()->hasColumn($table, 'id')) {
            $this->to->statement("select setval(pg_get_serial_sequence('{$table}', 'id'), (select max(id) from \"{$table}\"))");
        }

        return $count;
    }

    /** @return list<string> */
    private function migrations(Connection $of): array
    {
        return $of->table(self::OWN)->orderBy('migration')->pluck('migration')->all();
    }

    /** @return list<string> those before others that point to them */
    private function tables(): array
    {
        $schema = $this->to->getSchemaBuilder();
        $left = array_values(array_diff(array_column($schema->getTables(schema: 'public'), 'name'), [self::OWN]));
        $ordered = [];
        while ($left !== []) {
            $free = array_filter($left, fn (string $table): bool => array_diff(
                array_column($schema->getForeignKeys($table), 'foreign_table'),
                [...$ordered, $table],
            ) === []);
            $ordered = [...$ordered, ...array_values($free)];
            $left = array_values(array_diff($left, $free));
        }

        return $ordered;
    }
}
