<?php

use Illuminate\Database\Migrations\Migration;
use Illuminate\Database\Schema\Blueprint;
use Illuminate\Support\Facades\Schema;

/** Files that were cleared away, and can be put back until that is emptied. */
return new class extends Migration
{
    public function up(): void
    {
        Schema::create('cleared_files', function (Blueprint $table): void {
            $table->id();
            $table->foreignId('run_id')->unique()->constrained()->cascadeOnDelete();
            $table->string('path', 2048); // where it lay
            $table->string('cleared', 2048); // where it lies now
            $table->unsignedBigInteger('bytes');
            $table->timestamps(3);
        });
    }

    public function down(): void
    {
        Schema::dropIfExists('cleared_files');
    }
};
