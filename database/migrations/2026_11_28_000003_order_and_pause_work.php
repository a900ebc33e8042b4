<?php

use Illuminate\Database\Migrations\Migration;
use Illuminate\Database\Schema\Blueprint;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Facades\Schema;

/** Work has a place in its queue that can be changed, can be paused, and says which pass is under way; runs have a log, and can be put
 * away when they are over. */
return new class extends Migration
{
    public function up(): void
    {
        Schema::table('works', function (Blueprint $table): void {
            $table->unsignedBigInteger('place')->default(0); // the lower comes first
            $table->boolean('paused')->default(false);
            $table->json('detail')->nullable(); // of the pass under way
            $table->timestamp('not_before', 3)->nullable(); // what failed for now is tried again then
            $table->index(['kind', 'state', 'place']);
        });
        DB::table('works')->update(['place' => DB::raw('id')]);
        Schema::table('runs', function (Blueprint $table): void {
            $table->timestamp('cleared_at', 3)->nullable(); // taken off the queue's page; its slip stays
            $table->string('output', 64)->nullable(); // key of its column on the sheet
            $table->boolean('recalled')->default(false); // it was sent back to its sheet, and waits for what is made of it
            $table->unsignedBigInteger('queue_end_id')->nullable()->index(); // the end of the queue that told of it
        });
        // Nobody is told today of what was made long ago.
        $over = DB::table('works')->where('kind', 'make')->whereIn('state', ['done', 'failed', 'stopped'])->select('subject');
        DB::table('runs')->whereIn('id', $over)->update(['queue_end_id' => 0]);
        Schema::create('queue_ends', function (Blueprint $table): void {
            $table->id();
            $table->timestamp('ended_at', 3);
            $table->json('told'); // what was made, what failed and what was stopped
        });
        Schema::create('run_logs', function (Blueprint $table): void {
            $table->id();
            $table->foreignId('run_id')->constrained()->cascadeOnDelete();
            $table->timestamp('at', 3);
            $table->string('kind', 16);
            $table->text('text');
            $table->decimal('seconds', 12, 3)->nullable(); // that it took
        });
    }
};
