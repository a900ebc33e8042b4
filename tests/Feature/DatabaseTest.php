<?php

use App\Database\Durably;
use Illuminate\Database\QueryException;
use Illuminate\Support\Facades\DB;

beforeEach(function (): void {
    $shared = [
        'driver' => 'sqlite',
        'database' => $this->folder('shared.sqlite'),
        'prefix' => '',
        'journal_mode' => 'WAL',
        'busy_timeout' => 10,
    ];
    touch($shared['database']);
    config(['database.connections.one' => $shared, 'database.connections.other' => $shared]);
    DB::connection('one')->statement('create table runs (name text)');
    $this->write = fn (string $connection): bool => DB::connection($connection)
        ->table('runs')
        ->insert(['name' => $connection]);
});

test('what reads and then writes in one transaction is not overtaken by another process', function (): void {
    DB::connection('one')->transaction(function (): void {
        expect(DB::connection('one')->table('runs')->count())
            ->toBe(0)
            ->and(fn () => ($this->write)('other'))
            ->toThrow(QueryException::class, 'locked');
        ($this->write)('one');
    });
    ($this->write)('other');
    expect(DB::connection('other')->table('runs')->pluck('name')->all())->toBe(['one', 'other']);
});

test('a transaction that cannot begin leaves a connection that can', function (): void {
    DB::connection('other')->beginTransaction();
    expect(fn () => DB::connection('one')->transaction(fn () => null))->toThrow(PDOException::class, 'locked');
    DB::connection('other')->rollBack();
    DB::connection('one')->transaction(fn () => ($this->write)('one'));
    expect(DB::connection('other')->table('runs')->count())->toBe(1);
});

test('what has to be on the disk is put there, and nothing else', function (): void {
    $synchronous = fn (): int => (int) DB::selectOne('pragma synchronous')->synchronous;
    config(['database.default' => 'one', 'database.connections.one.synchronous' => 'NORMAL']);
    DB::purge('one');
    Durably::write(function () use ($synchronous, &$within): void {
        $within = $synchronous();
    });
    // 1 is NORMAL, 2 is FULL (sqlite.org, “PRAGMA synchronous”).
    expect([$within, $synchronous()])->toBe([2, 1]);
});

test('a copy is made while the database is in use, and over nothing', function (): void {
    $copy = $this->folder('copy.sqlite');
    $command = fn (): int => $this->crate('database', 'backup', $copy)->getExitCode();
    expect($command())->toBe(0)->and($command())->toBe(1);
    expect((new PDO("sqlite:{$copy}"))->query('select count(*) from migrations')->fetchColumn())
        ->toBe(count(glob(database_path('migrations/*.php'))));
})->skip(fn (): bool => config('database.default') !== 'sqlite', 'PostgreSQL is copied by pg_dump.');
