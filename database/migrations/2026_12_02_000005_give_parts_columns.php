<?php

use Illuminate\Database\Migrations\Migration;
use Illuminate\Database\Schema\Blueprint;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Facades\Schema;

/** Moves what file names of parts said into columns. Unfinished parts are made again. */
return new class extends Migration
{
    public function up(): void
    {
        $this->removeParts();
        Schema::table('parts', function (Blueprint $table): void {
            $table->dropUnique(['run_id', 'file']);
            $table->dropColumn(['file', 'gathered']);
        });
        Schema::table('parts', function (Blueprint $table): void {
            $table->string('digest', 32)->default(''); // of the plan and the state of the cut
            $table->foreignId('gathered_id')->nullable()->constrained('parts')->cascadeOnDelete(); // its first pass
            $table->unsignedBigInteger('aim')->nullable(); // target average of the whole file, bits per second
            $table->index(['run_id', 'digest']);
        });
    }

    public function down(): void
    {
        $this->removeParts();
        Schema::table('parts', function (Blueprint $table): void {
            $table->dropIndex(['run_id', 'digest']);
            $table->dropConstrainedForeignId('gathered_id');
            $table->dropColumn(['digest', 'aim']);
        });
        Schema::table('parts', function (Blueprint $table): void {
            $table->string('file', 64)->default('');
            $table->string('gathered', 64)->nullable();
            $table->unique(['run_id', 'file']);
        });
    }

    private function removeParts(): void
    {
        DB::table('works')->where('kind', 'part')->delete();
        DB::table('parts')->delete();
    }
};
