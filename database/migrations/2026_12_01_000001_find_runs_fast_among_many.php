<?php

use Illuminate\Database\Migrations\Migration;
use Illuminate\Database\Schema\Blueprint;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Facades\Schema;

/** The queue is asked for twice a second, and a year of work leaves ten thousand runs behind: nothing of it is read through to the end. */
return new class extends Migration
{
    public function up(): void
    {
        Schema::table('works', function (Blueprint $table): void {
            $table->double('expected_seconds')->nullable(); // that it is likely to take, as was known when it was asked for
            $table->index(['kind', 'updated_at']);
        });
        foreach (DB::table('runs')->orderBy('id')->select(['id', 'plan->estimate->seconds as seconds'])->cursor() as $run) {
            DB::table('works')->where(['kind' => 'make', 'subject' => $run->id])->update(['expected_seconds' => $run->seconds]);
        }
        Schema::table('runs', function (Blueprint $table): void {
            $table->index('updated_at');
            $table->index(['cleared_at', 'id']);
            $table->index('cut_id');
            $table->index('sent_at');
        });
        Schema::table('run_logs', function (Blueprint $table): void {
            $table->index('run_id');
        });
    }
};
