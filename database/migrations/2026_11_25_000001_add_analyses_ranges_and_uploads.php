<?php

use Illuminate\Database\Migrations\Migration;
use Illuminate\Database\Schema\Blueprint;
use Illuminate\Support\Facades\Schema;

return new class extends Migration
{
    public function up(): void
    {
        Schema::table('cuts', function (Blueprint $table): void {
            $table->string('fingerprint', 64)->nullable()->index(); // size and a hash of head, middle and tail
            $table->json('range')->nullable(); // first and last frame to deliver; null for all
        });

        Schema::create('analyses', function (Blueprint $table): void {
            $table->id();
            $table->foreignId('cut_id')->unique()->constrained()->cascadeOnDelete();
            $table->string('state', 16)->index();
            $table->unsignedInteger('version');
            $table->unsignedSmallInteger('percent')->default(0);
            $table->unsignedInteger('seconds_left')->nullable();
            $table->text('error')->nullable();
            $table->json('result')->nullable();
            $table->timestamp('wanted_at', 3)->nullable(); // when its sheet was last opened: what is looked at comes first
            $table->timestamps();
        });

        Schema::create('uploads', function (Blueprint $table): void {
            $table->uuid('id')->primary();
            $table->string('name', 1024);
            $table->unsignedBigInteger('length');
            $table->string('file', 4096)->nullable(); // where it lies, once it is whole
            $table->string('sha256', 64)->nullable();
            $table->timestamp('expires_at')->index();
            $table->timestamps();
        });
    }

    public function down(): void
    {
        Schema::dropIfExists('uploads');
        Schema::dropIfExists('analyses');
        Schema::table('cuts', function (Blueprint $table): void {
            $table->dropColumn(['fingerprint', 'range']);
        });
    }
};
