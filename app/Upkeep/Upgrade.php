<?php

namespace App\Upkeep;

use App\Database\DatabaseFault;
use App\Database\DatabaseUnusable;
use Closure;
use Illuminate\Contracts\Console\Kernel;
use Illuminate\Database\Connection;
use Illuminate\Database\Migrations\Migrator;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Facades\Schema;
use PDOException;

/**
 * Copies the database, then applies all pending migrations in one transaction. An interrupted upgrade leaves the database unchanged, and
 * the next start repeats it.
 */
final class Upgrade
{
    /** A number that no other application takes for its lock (PostgreSQL, 13.3.5). */
    private const LOCK = 8_410_001;

    public function __construct(private readonly Copies $copies, private readonly Kernel $artisan)
    {
    }

    /**
     * @param  Closure(string): void  $say  told what takes a while
     *
     * @throws DatabaseUnusable
     */
    public function run(Closure $say): void
    {
        $connection = DB::connection();
        Condition::check($connection);
        if ($this->isCurrent()) {
            return;
        }
        if ($this->hasAnything($connection)) {
            $say('copying the database before its upgrade');
            $this->copies->make();
        }
        try {
            $connection->getDriverName() === 'sqlite' ? $this->onSqlite($connection) : $this->onPostgres($connection);
        } catch (PDOException $e) {
            throw DatabaseFault::of($e) === null ? $e : Condition::words($connection, $e);
        }
    }

    public function isCurrent(): bool
    {
        return Schema::hasTable('migrations') && array_diff(self::known(), $this->done()) === [];
    }

    /** @return list<string> names of the steps that this version knows */
    public static function known(): array
    {
        $migrator = app(Migrator::class);

        return array_keys($migrator->getMigrationFiles([database_path('migrations'), ...$migrator->paths()]));
    }

    /** @return list<string> names of the steps that were taken */
    private function done(): array
    {
        return DB::table('migrations')->pluck('migration')->all();
    }

    private function hasAnything(Connection $connection): bool
    {
        return $connection->getSchemaBuilder()->getTables() !== [];
    }

    private function onSqlite(Connection $connection): void
    {
        // Changing a column rebuilds its table. With foreign keys on, dropping the old table would delete rows that refer to it, and SQLite
        // cannot switch them off inside a transaction. So they are off during the upgrade and checked at its end.
        $connection->statement('pragma foreign_keys = off');
        try {
            $connection->transaction(function () use ($connection): void {
                // Another process may have upgraded while this one waited for the lock.
                $this->isCurrent() ?: $this->migrate();
                $broken = $connection->select('pragma foreign_key_check');
                if ($broken !== []) {
                    throw new DatabaseUnusable(
                        'The upgrade would have left rows of the database without what they belong to: '.json_encode($broken[0]).'.',
                        'The database is as it was. Go back to the version before, and keep the copy.',
                    );
                }
            });
        } finally {
            $connection->statement('pragma foreign_keys = on');
        }
    }

    private function onPostgres(Connection $connection): void
    {
        $connection->transaction(function () use ($connection): void {
            // If several machines start at once, one upgrades and the others wait.
            $connection->select('select pg_advisory_xact_lock(?)', [self::LOCK]);
            $this->isCurrent() ?: $this->migrate();
        });
    }

    private function migrate(): void
    {
        $this->artisan->call('migrate', ['--force' => true, '--quiet' => true]);
    }
}
