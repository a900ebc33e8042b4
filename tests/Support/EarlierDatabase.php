<?php

namespace Tests\Support;

use Illuminate\Support\Facades\Artisan;
use Illuminate\Support\Facades\DB;

/** A database as it was some steps ago, with rows in it, which is to be upgraded. */
final class EarlierDatabase
{
    /** Steps that the later ones are done after: an earlier one would hold what no released version left behind. */
    private const STEPS = 16;

    /** Takes the first steps on the database that is configured, and puts some rows into it. */
    public static function make(int $rows): void
    {
        $steps = array_slice(glob(database_path('migrations/*.php')), 0, self::STEPS);
        Artisan::call('migrate', ['--force' => true, '--path' => $steps, '--realpath' => true]);
        $now = '2026-11-27 10:00:00';
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

    /** @return array<string, int> rows of each table that had some */
    public static function counts(): array
    {
        return array_map(fn (string $table): int => DB::table($table)->count(), [
            'settings' => 'settings', 'cuts' => 'cuts', 'sheet_versions' => 'sheet_versions',
        ]);
    }
}
