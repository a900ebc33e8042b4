<?php

use Illuminate\Database\Migrations\Migration;
use Illuminate\Database\Schema\Blueprint;
use Illuminate\Support\Facades\Schema;

return new class extends Migration
{
    public function up(): void
    {
        Schema::table('host_accounts', function (Blueprint $table): void {
            $table->timestamp('forgotten_at')->nullable(); // offered no more, but named by what was sent with it
        });
    }

    public function down(): void
    {
        Schema::table('host_accounts', function (Blueprint $table): void {
            $table->dropColumn('forgotten_at');
        });
    }
};
