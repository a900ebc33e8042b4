<?php

use Illuminate\Database\Migrations\Migration;
use Illuminate\Database\Schema\Blueprint;
use Illuminate\Support\Facades\Schema;

/** Parts of a file that several machines make; gone when it is made. */
return new class extends Migration
{
    public function up(): void
    {
        Schema::create('parts', function (Blueprint $table): void {
            $table->id();
            $table->foreignId('run_id')->constrained()->cascadeOnDelete();
            $table->unsignedSmallInteger('number');
            $table->unsignedBigInteger('first'); // frames of the cut
            $table->unsignedBigInteger('last');
            $table->string('file', 64); // its name in the run's working folder
            $table->json('plan'); // frozen, for the whole file
            $table->timestamps(3);
            $table->unique(['run_id', 'file']);
        });
    }

    public function down(): void
    {
        Schema::dropIfExists('parts');
    }
};
