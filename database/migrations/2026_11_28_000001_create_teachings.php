<?php

use Illuminate\Database\Migrations\Migration;
use Illuminate\Database\Schema\Blueprint;
use Illuminate\Support\Facades\Schema;

/** Teachings: uploads and what a host made of them, looked at to learn what it does. */
return new class extends Migration
{
    public function up(): void
    {
        Schema::create('teachings', function (Blueprint $table): void {
            $table->id();
            $table->string('host');
            // Lists of files, and what the host was known to do when it was asked.
            $table->json('asked');
            $table->json('result')->nullable();
            // Version of the host that it was saved as, and its slug.
            $table->string('saved_as')->nullable();
            $table->timestamps();
        });
    }
};
