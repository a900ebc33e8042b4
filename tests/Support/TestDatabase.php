<?php

namespace Tests\Support;

use Illuminate\Support\Facades\Artisan;
use Illuminate\Support\Facades\DB;
use PDO;

/**
 * The database of a test: in memory, or one of PostgreSQL's that is copied from one where all migrations ran (`bin/test --database=pgsql`,
 * which sets DB_CONNECTION and DB_HOST).
 */
final class TestDatabase
{
    /** @var list<string> made for a test and not gone yet */
    private static array $made = [];

    private static bool $hasTemplate = false;

    /** What all migrations come to in SQLite; to run them for every test takes a third of what the tests of PHP take themselves. */
    private static ?string $statements = null;

    public static function begin(): void
    {
        self::isFiles() ? self::fill() : self::use(self::copy());
    }

    public static function end(): void
    {
        if (self::isFiles()) {
            return;
        }
        DB::purge();
        foreach (self::$made as $name) {
            self::server()->exec("drop database \"{$name}\" with (force)");
        }
        self::$made = [];
    }

    /** One that other processes can work on too; for PostgreSQL it is so from the beginning. */
    public static function share(string $folder): void
    {
        if (self::isFiles()) {
            touch("{$folder}/shared.sqlite");
            config(['database.connections.sqlite.database' => "{$folder}/shared.sqlite"]);
            DB::purge();
            self::fill();
        }
    }

    /** @return array<string, string> surroundings of a process that works on the database of the test */
    public static function shared(string $folder): array
    {
        return ['DB_DATABASE' => self::isFiles() ? "{$folder}/shared.sqlite" : config('database.connections.pgsql.database')];
    }

    /** @return array<string, string> surroundings of processes that have one of their own */
    public static function another(string $folder): array
    {
        static $known = [];

        return ['DB_DATABASE' => self::isFiles() ? "{$folder}/derived/crate.sqlite" : $known[$folder] ??= self::copy()];
    }

    private static function isFiles(): bool
    {
        return config('database.default') === 'sqlite';
    }

    private static function fill(): void
    {
        if (self::$statements !== null) {
            DB::unprepared(self::$statements);

            return;
        }
        Artisan::call('migrate', ['--force' => true]);
        $pdo = DB::connection()->getPdo();
        $made = $pdo->query("select name, type, sql from sqlite_master where sql is not null and name not like 'sqlite\\_%' escape '\\'");
        $statements = [];
        foreach ($made->fetchAll(PDO::FETCH_OBJ) as $part) {
            $statements[] = $part->sql;
            $rows = $part->type === 'table' ? $pdo->query("select * from \"{$part->name}\"")->fetchAll(PDO::FETCH_NUM) : [];
            foreach ($rows as $row) {
                $values = array_map(fn (mixed $value): string => $value === null ? 'null' : $pdo->quote((string) $value), $row);
                $statements[] = "insert into \"{$part->name}\" values (".implode(', ', $values).')';
            }
        }
        self::$statements = "begin;\n".implode(";\n", $statements).";\ncommit;";
    }

    private static function copy(): string
    {
        $template = 'template_'.getmypid();
        if (! self::$hasTemplate) {
            self::server()->exec("create database \"{$template}\"");
            self::use($template);
            Artisan::call('migrate', ['--force' => true]);
            DB::purge();
            self::$hasTemplate = true;
        }
        self::$made[] = $name = 'test_'.getmypid().'_'.bin2hex(random_bytes(4));
        self::server()->exec("create database \"{$name}\" template \"{$template}\"");

        return $name;
    }

    private static function use(string $name): void
    {
        config(['database.connections.pgsql.database' => $name]);
        DB::purge();
    }

    private static function server(): PDO
    {
        static $server = null;
        $to = config('database.connections.pgsql');

        return $server ??= new PDO("pgsql:host={$to['host']};dbname=postgres", $to['username'], $to['password']);
    }
}
