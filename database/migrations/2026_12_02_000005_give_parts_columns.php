<?php

use Illuminate\Database\Migrations\Migration;
use Illuminate\Database\Schema\Blueprint;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Facades\Schema;

/**
 * Keeps in columns what the names of parts' files said. Parts last as long as their file is being made: those that are there are made
 * again.
 */
return new class extends Migration
{
    public function up(): void
    {
        DB::table('works')->where('kind', 'part')->delete();
        Schema::drop('parts');
        Schema::create('parts', function (Blueprint $table): void {
            $table->id();
            $table->foreignId('run_id')->constrained()->cascadeOnDelete();
            $table->unsignedSmallInteger('number');
            $table->unsignedBigInteger('first'); // frames of the cut
            $table->unsignedBigInteger('last');
            $table->json('plan'); // of the whole file
            $table->string('digest', 32); // of that plan and the state of the cut
            $table->unsignedTinyInteger('pass'); // 1 gathers, 2 writes with what was gathered, 0 is the only one
            $table->foreignId('gathered_id')->nullable()->constrained('parts')->cascadeOnDelete();
            $table->unsignedBigInteger('aim')->nullable(); // bits per second that all parts together aim at
            $table->unsignedBigInteger('average')->nullable(); // bits per second that fall to this one
            $table->float('full')->nullable(); // share of a decoder's buffer that is full where it begins
            $table->timestamps(3);
            $table->index(['run_id', 'digest']);
        });
    }

    public function down(): void
    {
        DB::table('works')->where('kind', 'part')->delete();
        Schema::drop('parts');
        Schema::create('parts', function (Blueprint $table): void {
            $table->id();
            $table->foreignId('run_id')->constrained()->cascadeOnDelete();
            $table->unsignedSmallInteger('number');
            $table->unsignedBigInteger('first');
            $table->unsignedBigInteger('last');
            $table->string('file', 64);
            $table->json('plan');
            $table->timestamps(3);
            $table->unsignedTinyInteger('pass')->default(0);
            $table->string('gathered', 64)->nullable();
            $table->unsignedBigInteger('average')->nullable();
            $table->float('full')->nullable();
            $table->unique(['run_id', 'file']);
        });
    }
};
