<?php

use Illuminate\Database\Migrations\Migration;
use Illuminate\Database\Schema\Blueprint;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Facades\Schema;

/** A name that is free again may be given to the file of another run: the file of the earlier one is gone then, whatever lies there. */
return new class extends Migration
{
    public function up(): void
    {
        Schema::table('runs', function (Blueprint $table): void {
            $table->timestamp('gone_at', 3)->nullable(); // when its file was deleted, or its name given to the file of another run
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
