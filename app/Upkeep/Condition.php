<?php

namespace App\Upkeep;

use App\Database\DatabaseFault;
use App\Database\DatabaseUnusable;
use Illuminate\Database\Connection;
use PDOException;

/** Checks that this version can use the database, and says what is wrong if it cannot. */
final class Condition
{
    /** What every SQLite file begins with (sqlite.org, “Database File Format”, 1.3). */
    public const HEADER = "SQLite format 3\0";

    /** Bytes up to which the whole file is looked through at each start: a second's work. */
    private const MAX_CHECKED = 64_000_000;

    /** Migrations before 1.0. After the last one, the schema is that of 1.0. */
    private const BEFORE_1_0 = ['first' => '2026_11_24_000001_create_crate_tables', 'last' => '2026_12_02_000005_give_parts_columns'];

    /** @throws DatabaseUnusable */
    public static function check(Connection $connection): void
    {
        try {
            $connection->getDriverName() === 'sqlite' ? self::sqlite($connection) : $connection->select('select 1');
            self::isOurs($connection);
        } catch (PDOException $e) {
            throw self::words($connection, $e);
        }
    }

    /** The error in words for the person who starts Outer Crate. */
    public static function words(Connection $connection, PDOException $e): DatabaseUnusable
    {
        $fault = DatabaseFault::of($e);
        $name = self::name($connection);
        $said = $e->getPrevious()?->getMessage() ?? $e->getMessage();
        $detail = trim((string) preg_replace(['~\s+~', '~SQLSTATE\[\w+\]( \[\d+\])?:? ?~'], [' ', ''], $said));

        return match ($fault) {
            DatabaseFault::Damaged => self::damaged($name, $detail),
            DatabaseFault::Busy => new DatabaseUnusable(
                "{$name} is locked by another program.",
                'End that program, then start again.',
                $fault->value,
            ),
            DatabaseFault::Full, DatabaseFault::ReadOnly => new DatabaseUnusable(
                $fault === DatabaseFault::Full ? "The drive of {$name} is full or cannot be written to." : "{$name} cannot be written to.",
                $fault->todo(),
                $fault->value,
            ),
            default => new DatabaseUnusable(
                "{$name} cannot be reached: {$detail}",
                $connection->getDriverName() === 'sqlite'
                    ? 'Look whether its folder is there and may be read.'
                    : 'Look whether the server runs, and at DB_HOST, DB_PORT, DB_DATABASE, DB_USERNAME and DB_PASSWORD in .env.',
                DatabaseFault::Gone->value,
            ),
        };
    }

    private static function sqlite(Connection $connection): void
    {
        $file = (string) $connection->getConfig('database');
        if (! is_file($file)) {
            if (! is_dir(dirname($file)) || ! @touch($file)) {
                $todo = 'Let the user who runs Outer Crate write to its folder.';
                throw new DatabaseUnusable("The database {$file} cannot be made.", $todo);
            }
            chmod($file, 0o600);

            return;
        }
        if (! is_readable($file)) {
            $todo = 'Let the user who runs Outer Crate read and write it, and its folder.';
            throw new DatabaseUnusable("{$file} cannot be read.", $todo);
        }
        $bytes = (int) filesize($file);
        if ($bytes > 0 && file_get_contents($file, length: strlen(self::HEADER)) !== self::HEADER) {
            throw self::damaged($file, 'it does not begin as a database does');
        }
        if (! is_writable($file) || ! is_writable(dirname($file))) {
            throw new DatabaseUnusable("{$file} cannot be written to.", DatabaseFault::ReadOnly->todo(), DatabaseFault::ReadOnly->value);
        }
        if ($bytes <= self::MAX_CHECKED) {
            $found = (string) (array_values((array) $connection->selectOne('pragma quick_check(1)'))[0] ?? 'nothing');
            if ($found !== 'ok') {
                throw self::damaged($file, trim((string) preg_replace(['~\*\*\*.*?\*\*\*~', '~\s+~'], ' ', $found)));
            }
        }
    }

    private static function isOurs(Connection $connection): void
    {
        $schema = $connection->getSchemaBuilder();
        $name = self::name($connection);
        if ($schema->getTables() === []) {
            return;
        }
        $steps = $schema->hasTable('migrations') ? $connection->table('migrations')->pluck('migration')->all() : [];
        $known = Upgrade::known();
        if (in_array(self::BEFORE_1_0['first'], $steps, true)) {
            in_array(self::BEFORE_1_0['last'], $steps, true) ?: throw new DatabaseUnusable(
                "{$name} was made by an early version of Outer Crate.",
                'Start the last version before 1.0 once to upgrade it, then start this version. Nothing was changed.',
                'database-early',
            );

            return;
        }
        if (array_intersect($steps, $known) === []) {
            $todo = 'Name another one in DB_DATABASE.';
            throw new DatabaseUnusable("{$name} is the database of another application.", $todo, 'database-foreign');
        }
        if (array_diff($steps, $known) !== []) {
            throw new DatabaseUnusable(
                "{$name} was upgraded by a newer version of Outer Crate.",
                'Start that version, or put back a copy from before: bin/crate database restore.',
                'database-newer',
            );
        }
    }

    private static function damaged(string $name, string $detail): DatabaseUnusable
    {
        $copy = Copies::all()[0] ?? null;

        return new DatabaseUnusable(
            "The database {$name} is damaged: {$detail}.",
            $copy === null
                ? 'Put a copy of your own in its place. The damaged file is kept beside it: bin/crate database restore COPY.'
                : "The newest copy is {$copy}. Put it in its place; the damaged file is kept beside it: bin/crate database restore {$copy}",
            DatabaseFault::Damaged->value,
        );
    }

    private static function name(Connection $connection): string
    {
        return $connection->getDriverName() === 'sqlite'
            ? (string) $connection->getConfig('database')
            : "PostgreSQL “{$connection->getConfig('database')}” on {$connection->getConfig('host')}";
    }
}
