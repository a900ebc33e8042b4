<?php

use Illuminate\Database\Migrations\Migration;
use Illuminate\Database\Schema\Blueprint;
use Illuminate\Support\Facades\Schema;

/** A run holds its plan as a document that names no classes. */
return new class extends Migration
{
    public function up(): void
    {
        Schema::table('runs', function (Blueprint $table): void {
            $table->json('document')->nullable();
        });
        Schema::table('runs', function (Blueprint $table): void {
            $table->dropColumn(['frozen', 'passes']);
        });
    }

    public function down(): void
    {
        Schema::table('runs', function (Blueprint $table): void {
            $table->json('frozen')->nullable();
            $table->json('passes')->nullable();
            $table->dropColumn('document');
        });
    }
};
