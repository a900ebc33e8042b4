<?php

use Illuminate\Database\Migrations\Migration;
use Illuminate\Database\Schema\Blueprint;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Facades\Schema;

/** Records that a run lost its file: deleted for good, or its path taken by the file of a later run. */
return new class extends Migration
{
    public function up(): void
    {
        Schema::table('runs', function (Blueprint $table): void {
            $table->timestamp('gone_at', 3)->nullable(); // when its file was deleted for good, or another run's file took its path
            $table->index('file');
        });
        $latest = DB::table('runs')->join('works', 'works.subject', '=', 'runs.id')
            ->where(['works.kind' => 'make', 'works.state' => 'done'])
            ->selectRaw('max(runs.id) as id, file')->groupBy('file')->havingRaw('count(*) > 1')->get();
        foreach ($latest as $run) {
            DB::table('runs')->where('file', $run->file)->where('id', '<', $run->id)->update(['gone_at' => now()]);
        }
    }

    public function down(): void
    {
        Schema::table('runs', function (Blueprint $table): void {
            $table->dropIndex(['file']);
            $table->dropColumn('gone_at');
        });
    }
};
