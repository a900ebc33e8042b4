<?php

use Illuminate\Database\Migrations\Migration;
use Illuminate\Database\Schema\Blueprint;
use Illuminate\Support\Collection;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Facades\Schema;

/** Lets the database count and page stored files without checking each on disk. */
return new class extends Migration
{
    public function up(): void
    {
        Schema::table('deliveries', function (Blueprint $table): void {
            $table->boolean('is_stored')->default(true); // neither cleared away nor deleted by this application
            $table->unsignedBigInteger('first_frame')->default(0); // of the cut
            $table->unsignedBigInteger('last_frame')->default(0);
        });
        DB::table('deliveries')->join('runs', 'runs.id', '=', 'deliveries.run_id')
            ->leftJoin('cleared_files', 'cleared_files.run_id', '=', 'runs.id')
            ->select(['deliveries.id', 'runs.plan', 'runs.gone_at', 'cleared_files.id as cleared'])
            ->chunkById(200, fn (Collection $rows) => $rows->each($this->fill(...)), 'deliveries.id', 'id');
        Schema::table('deliveries', function (Blueprint $table): void {
            $table->index(['is_stored', 'cut_name', 'run_id']);
            $table->index(['is_stored', 'cut_id', 'bytes']);
            // SQLite scans this index instead of the wider rows. PostgreSQL limits the length of index entries.
            DB::getDriverName() !== 'sqlite' ?: $table->index(['made_at', 'id', 'search']);
        });
    }

    public function down(): void
    {
        Schema::table('deliveries', function (Blueprint $table): void {
            $table->dropIndex(['is_stored', 'cut_name', 'run_id']);
            $table->dropIndex(['is_stored', 'cut_id', 'bytes']);
            DB::getDriverName() !== 'sqlite' ?: $table->dropIndex(['made_at', 'id', 'search']);
            $table->dropColumn(['is_stored', 'first_frame', 'last_frame']);
        });
    }

    private function fill(object $row): void
    {
        $range = json_decode($row->plan, true)['range'] ?? null;
        DB::table('deliveries')->where('id', $row->id)->update([
            'is_stored' => $row->gone_at === null && $row->cleared === null,
            'first_frame' => $range['first'] ?? 0,
            'last_frame' => $range['last'] ?? 0,
        ]);
    }
};
