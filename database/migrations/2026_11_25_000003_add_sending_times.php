<?php

use Illuminate\Database\Migrations\Migration;
use Illuminate\Database\Schema\Blueprint;
use Illuminate\Support\Facades\Schema;

return new class extends Migration
{
    public function up(): void
    {
        Schema::table('runs', function (Blueprint $table): void {
            $table->unsignedInteger('sent_seconds')->nullable(); // how long its file took to its host
            $table->timestamp('sent_at', 3)->nullable(); // when that was said
        });
    }

    public function down(): void
    {
        Schema::table('runs', fn (Blueprint $table) => $table->dropColumn(['sent_seconds', 'sent_at']));
    }
};
