<?php

use Illuminate\Database\Migrations\Migration;
use Illuminate\Database\Schema\Blueprint;
use Illuminate\Support\Facades\Schema;

/** A cut may go out in several pieces. */
return new class extends Migration
{
    public function up(): void
    {
        Schema::table('cuts', function (Blueprint $table): void {
            $table->json('pieces')->nullable(); // first and last frame of each, and its name; null for one file
        });
    }

    public function down(): void
    {
        Schema::table('cuts', fn (Blueprint $table) => $table->dropColumn('pieces'));
    }
};
