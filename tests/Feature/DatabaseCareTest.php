<?php

use App\Database\DatabaseFile;
use App\Models\Setting;
use App\Upkeep\Copies;
use App\Upkeep\Upgrade;
use Illuminate\Support\Facades\Artisan;
use Illuminate\Support\Facades\Cache;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Facades\Log;
use Symfony\Component\Process\Process;
use Tests\Support\Later\LaterVersion;

/*
 * An SQLite file of a test's own: what an upgrade does to it, whatever happens meanwhile, and what is said of one that cannot be used.
 */

beforeEach(function (): void {
    $this->file = $this->folder('care.sqlite');
    touch($this->file);
    config([
        'database.default' => 'sqlite', 'database.connections.sqlite.database' => $this->file, 'crate.backups' => $this->folder('backups'),
    ]);
    DB::purge();
    LaterVersion::in(app());
    /** A later version in another process, as at a start. */
    $this->upgrade = fn (): Process => new Process(['php', LaterVersion::ARTISAN, 'crate:upgrade'], base_path(), [
        'DB_CONNECTION' => 'sqlite', 'DB_DATABASE' => $this->file, 'CRATE_BACKUPS' => $this->folder('backups'),
    ]);
    $this->says = function (): string {
        ($process = ($this->upgrade)())->run();

        return $process->isSuccessful() ? 'done' : $process->getErrorOutput();
    };
});

it('comes to an end after it was killed at any moment, with every row', function () {
    LaterVersion::fill(50);
    DB::purge();
    copy($this->file, $earlier = $this->folder('earlier.sqlite'));
    $begun = microtime(true);
    ($this->upgrade)()->mustRun();
    $whole = microtime(true) - $begun;
    foreach ([0.5, 0.65, 0.8, 0.9] as $share) {
        array_map(unlink(...), glob("{$this->file}*"));
        copy($earlier, $this->file);
        $process = ($this->upgrade)();
        $process->start();
        usleep((int) (1e6 * $share * $whole));
        $process->stop(0, SIGKILL);
        expect(($this->says)())->toBe('done');
        DB::purge();
        expect(LaterVersion::counts())->toBe(['settings' => 50, 'cuts' => 50, 'sheet_versions' => 50])
            ->and(app(Upgrade::class)->isCurrent())->toBeTrue()
            ->and((array) DB::selectOne('pragma integrity_check'))->toBe(['integrity_check' => 'ok']);
    }
});

it('takes over a database from the last version before 1.0', function () {
    LaterVersion::fill(3);
    DB::table('migrations')->delete();
    foreach (['2026_11_24_000001_create_crate_tables', '2026_12_02_000005_give_parts_columns'] as $migration) {
        DB::table('migrations')->insert(['migration' => $migration, 'batch' => 1]);
    }
    app(Upgrade::class)->run(fn () => null);
    expect(DB::table('migrations')->pluck('migration')->all())->toBe(Upgrade::known())
        ->and(LaterVersion::counts())->toBe(['settings' => 3, 'cuts' => 3, 'sheet_versions' => 3]);
});

it('leaves a database of an early version as it was, by whatever command', function () {
    LaterVersion::fill(3);
    DB::table('migrations')->update(['migration' => '2026_11_24_000001_create_crate_tables']);
    expect(fn () => Artisan::call('migrate', ['--force' => true]))->toThrow(RuntimeException::class, 'last version before 1.0')
        ->and(DB::table('migrations')->pluck('migration')->all())->toBe(['2026_11_24_000001_create_crate_tables'])
        ->and(LaterVersion::counts())->toBe(['settings' => 3, 'cuts' => 3, 'sheet_versions' => 3]);
});

it('copies the database before it upgrades it, and keeps the last three copies', function () {
    LaterVersion::fill(3);
    DB::purge();
    copy($this->file, $earlier = $this->folder('earlier.sqlite'));
    foreach (range(1, 5) as $time) {
        DB::purge();
        array_map(unlink(...), glob("{$this->file}*"));
        copy($earlier, $this->file);
        app(Upgrade::class)->run(fn () => null);
        $this->travel(2)->seconds();
    }
    expect(Copies::all())->toHaveCount(3)->and(fileperms(Copies::all()[0]) & 0o777)->toBe(0o600);
    $steps = (new PDO('sqlite:'.Copies::all()[0]))->query('select count(*) from migrations')->fetchColumn();
    expect($steps)->toBeLessThan(count(Upgrade::known()));
    // One that is current is not copied again.
    app(Upgrade::class)->run(fn () => null);
    expect(Copies::all())->toHaveCount(3);
    DB::purge();
    $aside = Copies::restore(Copies::all()[0]);
    expect(is_file($aside))->toBeTrue()->and(app(Upgrade::class)->isCurrent())->toBeFalse();
});

it('says of a database that cannot be used what is wrong with it, and what to do', function (Closure $spoil, array $says) {
    $undo = $spoil->call($this);
    $said = ($this->says)();
    $undo instanceof Closure ? $undo() : null;
    foreach ($says as $words) {
        expect($said)->toContain($words);
    }
})->with([
    'text' => [function (): void {
        file_put_contents($this->file, 'a shopping list');
    }, ['care.sqlite is damaged', 'bin/crate database restore']],
    'damaged, with a copy' => [function (): void {
        LaterVersion::fill(50);
        app(Upgrade::class)->run(fn () => null);
        DB::purge();
        $file = fopen($this->file, 'r+b');
        fseek($file, 20_000);
        fwrite($file, random_bytes(60_000));
    }, ['care.sqlite is damaged', 'The newest copy is ', '/backups/outer-crate-']],
    'of another application' => [function (): void {
        DB::statement('create table recipes (name text)');
        DB::purge();
    }, ['is the database of another application', 'DB_DATABASE']],
    'of a newer version' => [function (): void {
        app(Upgrade::class)->run(fn () => null);
        DB::table('migrations')->insert(['migration' => '2031_01_01_000001_what_is_to_come', 'batch' => 2]);
        DB::purge();
    }, ['newer version of Outer Crate']],
    'of an early version' => [function (): void {
        LaterVersion::fill(1);
        DB::table('migrations')->update(['migration' => '2026_11_24_000001_create_crate_tables']);
        DB::purge();
    }, ['early version', 'Start the last version before 1.0 once', 'Nothing was changed']],
    'locked' => [function (): Closure {
        LaterVersion::fill(1);
        DB::purge();
        $pdo = new PDO("sqlite:{$this->file}");
        $pdo->exec('begin exclusive');

        return fn () => $pdo->exec('rollback');
    }, ['is locked by another program', 'End that program']],
    'no folder' => [function (): void {
        $this->file = '/nowhere/at/all/care.sqlite';
    }, ['/nowhere/at/all/care.sqlite cannot be made', 'write to its folder']],
]);

it('answers 503 with a sentence, and logs one line, while the database cannot be used', function (Closure $spoil, string $id) {
    app(Upgrade::class)->run(fn () => null);
    $log = $this->folder('test.log');
    config(['logging.channels.single.path' => $log, 'logging.default' => 'single']);
    Log::forgetChannel('single');
    Cache::flush();
    $spoil->call($this);
    foreach (range(1, 3) as $time) {
        $error = $this->answer($this->putJson('/api/settings', ['endSound' => 'gate']), 'error', 503)['error'];
        expect($error['id'])->toBe($id)->and($error['message'])->toContain('Nothing was changed');
    }
    $lines = file($log);
    expect($lines)->toHaveCount(1)->and(strlen($lines[0]))->toBeLessThan(400);
})->with([
    'full' => [function (): void {
        DB::statement('pragma max_page_count = 1'); // That is: as many as there are now.
        foreach ([3000, 300, 30, 1] as $bytes) {
            try {
                while (true) {
                    DB::table('settings')->insert(['key' => bin2hex(random_bytes(8)), 'value' => str_repeat('1', $bytes)]);
                }
            } catch (PDOException) {
                continue;
            }
        }
    }, 'database-full'],
    'locked' => [function (): void {
        config(['database.connections.sqlite.busy_timeout' => 10]);
        DB::purge();
        $this->holder = new PDO("sqlite:{$this->file}");
        $this->holder->exec('begin exclusive');
    }, 'database-busy'],
    'gone' => [function (): void {
        DB::purge();
        rename($this->file, "{$this->file}.elsewhere");
    }, 'database-gone'],
    'damaged' => [function (): void {
        DB::purge();
        array_map(unlink(...), glob("{$this->file}-*"));
        file_put_contents($this->file, str_repeat('no database at all ', 500));
    }, 'database-damaged'],
]);

it('notices a database file that was put in the place of another', function () {
    app(Upgrade::class)->run(fn () => null);
    DatabaseFile::look();
    DB::statement('vacuum into ?', [$copy = $this->folder('copy.sqlite')]);
    Setting::query()->create(['key' => 'later', 'value' => 1]);
    array_map(unlink(...), glob("{$this->file}-*"));
    rename($copy, $this->file);
    // Who has the old one open does not see that.
    expect(Setting::query()->whereKey('later')->exists())->toBeTrue();
    DatabaseFile::look();
    expect(Setting::query()->whereKey('later')->exists())->toBeFalse();
});
