<?php

namespace Tests\Support\Later;

use Illuminate\Contracts\Foundation\Application;
use Illuminate\Database\Migrations\Migrator;
use Illuminate\Support\Facades\Artisan;
use Illuminate\Support\Facades\DB;

/** A version with one more migration, for tests of upgrades. */
final class LaterVersion
{
    public const ARTISAN = __DIR__.'/artisan.php';

    public static function in(Application $app): void
    {
        $add = fn (Migrator $migrator) => $migrator->path(dirname(__DIR__, 2).'/fixtures/migrations');
        $app->resolved('migrator') ? $add($app->make('migrator')) : $app->afterResolving('migrator', $add);
    }

    /** Makes a database of this version with some rows. */
    public static function fill(int $rows): void
    {
        Artisan::call('migrate', ['--force' => true, '--path' => [database_path('migrations')], '--realpath' => true]);
        $now = '2026-12-02 10:00:00';
        $times = ['created_at' => $now, 'updated_at' => $now];
        foreach (range(1, $rows) as $i) {
            DB::table('settings')->insert(['key' => "made-up-{$i}", 'value' => '1', ...$times]);
            $cut = DB::table('cuts')->insertGetId([
                'name' => "Cut {$i}", 'path' => ":/cuts/{$i}.mov", 'bytes' => 1, 'modified' => 1, 'card' => '{}', 'probe' => '{}',
                'outputs' => '[]', ...$times,
            ]);
            DB::table('sheet_versions')->insert(['cut_id' => $cut, 'version' => 1, 'outputs' => '[]', ...$times]);
        }
    }

    /** @return array<string, int> rows of each table that has some */
    public static function counts(): array
    {
        return array_map(fn (string $table): int => DB::table($table)->count(), [
            'settings' => 'settings', 'cuts' => 'cuts', 'sheet_versions' => 'sheet_versions',
        ]);
    }
}
