<?php

use Illuminate\Database\Migrations\Migration;
use Illuminate\Database\Schema\Blueprint;
use Illuminate\Support\Facades\Schema;

/** Who may come in from other machines, and the tokens of their scripts. */
return new class extends Migration
{
    public function up(): void
    {
        Schema::create('users', function (Blueprint $table): void {
            $table->id();
            $table->string('name', 64)->unique();
            $table->string('password');
            $table->timestamps(3);
        });
        Schema::create('tokens', function (Blueprint $table): void {
            $table->id();
            $table->foreignId('user_id')->constrained()->cascadeOnDelete();
            $table->string('name', 64); // what it is for
            $table->char('digest', 64)->unique(); // SHA-256; the token itself is told once
            $table->timestamp('used_at', 3)->nullable();
            $table->timestamps(3);
            $table->unique(['user_id', 'name']);
        });
    }

    public function down(): void
    {
        Schema::dropIfExists('tokens');
        Schema::dropIfExists('users');
    }
};
