<?php

use Illuminate\Database\Migrations\Migration;
use Illuminate\Database\Schema\Blueprint;
use Illuminate\Support\Facades\Schema;

/** What users and tokens may do, until when a token works, and who did what. */
return new class extends Migration
{
    public function up(): void
    {
        // Existing users could do everything.
        Schema::table('users', fn (Blueprint $table) => $table->string('role', 16)->default('owner'));
        Schema::table('tokens', function (Blueprint $table): void {
            $table->string('role', 16)->default('owner');
            $table->timestamp('expires_at', 3)->nullable();
        });
        Schema::create('activity_entries', function (Blueprint $table): void {
            $table->id();
            $table->timestamp('at', 3)->index();
            $table->string('who', 80);
            $table->string('what', 80);
            $table->string('subject', 255)->default('');
            $table->string('address', 45)->nullable(); // of the visitor, IPv4 or IPv6
            $table->integer('times')->default(1); // in a row
        });
    }

    public function down(): void
    {
        Schema::dropIfExists('activity_entries');
        Schema::table('tokens', fn (Blueprint $table) => $table->dropColumn(['role', 'expires_at']));
        Schema::table('users', fn (Blueprint $table) => $table->dropColumn('role'));
    }
};
