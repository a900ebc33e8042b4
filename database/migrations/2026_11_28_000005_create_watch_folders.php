<?php

use Illuminate\Database\Migrations\Migration;
use Illuminate\Database\Schema\Blueprint;
use Illuminate\Support\Facades\Schema;

/** Folders whose files are brought in and packed by themselves, and what became of each file. */
return new class extends Migration
{
    public function up(): void
    {
        Schema::create('watch_folders', function (Blueprint $table): void {
            $table->id();
            $table->string('path', 1024)->unique();
            $table->json('outputs'); // preset and host of each file to make
            $table->timestamps(3);
        });
        Schema::create('watched_files', function (Blueprint $table): void {
            $table->id();
            $table->foreignId('watch_folder_id')->constrained()->cascadeOnDelete();
            $table->string('name', 512);
            $table->string('state', 16); // settling, packed, refused
            $table->unsignedBigInteger('bytes');
            $table->unsignedBigInteger('modified');
            $table->timestamp('since', 3); // it has been of this size and time
            $table->string('error', 2048)->nullable();
            $table->string('pack', 64)->nullable();
            $table->timestamps(3);
            $table->unique(['watch_folder_id', 'name']);
        });
    }

    public function down(): void
    {
        Schema::dropIfExists('watched_files');
        Schema::dropIfExists('watch_folders');
    }
};
