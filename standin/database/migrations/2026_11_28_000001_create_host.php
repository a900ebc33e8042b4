<?php

use Illuminate\Database\Migrations\Migration;
use Illuminate\Database\Schema\Blueprint;
use Illuminate\Support\Facades\Schema;

return new class extends Migration
{
    public function up(): void
    {
        Schema::create('accounts', function (Blueprint $table): void {
            $table->id();
            $table->string('host');
            $table->string('name');
            $table->string('password');
            $table->string('terms')->nullable(); // the version that was accepted
            $table->timestamps();
            $table->unique(['host', 'name']);
        });
        Schema::create('tokens', function (Blueprint $table): void {
            $table->id();
            $table->foreignId('account_id')->constrained()->cascadeOnDelete();
            $table->string('hash', 64)->unique();
            $table->timestamp('expires_at');
            $table->timestamps();
        });
        Schema::create('uploads', function (Blueprint $table): void {
            $table->uuid('id')->primary();
            $table->string('name', 1024);
            $table->unsignedBigInteger('length');
            $table->string('file', 4096)->nullable();
            $table->string('sha256', 64)->nullable();
            $table->timestamp('expires_at')->index();
            $table->timestamps();
        });
        Schema::create('videos', function (Blueprint $table): void {
            $table->uuid('id')->primary();
            $table->foreignId('account_id')->constrained()->cascadeOnDelete();
            $table->uuid('upload_id')->unique();
            $table->string('key')->nullable(); // of the sender: the same one gives the same video
            $table->string('file', 4096);
            $table->unsignedBigInteger('bytes');
            $table->string('sha256', 64);
            $table->string('state');
            $table->string('reason')->nullable();
            $table->string('tier')->nullable();
            $table->string('visibility')->default('private');
            $table->timestamp('publish_at')->nullable();
            $table->json('details');
            $table->string('thumbnail')->nullable();
            $table->timestamps();
            $table->unique(['account_id', 'key']);
        });
        Schema::create('renditions', function (Blueprint $table): void {
            $table->id();
            $table->foreignUuid('video_id')->constrained()->cascadeOnDelete();
            $table->unsignedInteger('lines');
            $table->string('codec');
            $table->string('state')->default('waiting');
            $table->string('file', 4096)->nullable();
            $table->unsignedBigInteger('bytes')->nullable();
            $table->timestamps();
            $table->unique(['video_id', 'lines']);
        });
        Schema::create('captions', function (Blueprint $table): void {
            $table->id();
            $table->foreignUuid('video_id')->constrained()->cascadeOnDelete();
            $table->string('language', 35);
            $table->text('text');
            $table->timestamps();
            $table->unique(['video_id', 'language']);
        });
        Schema::create('faults', function (Blueprint $table): void {
            $table->string('name')->primary();
            $table->json('value');
            $table->timestamps();
        });
    }

    public function down(): void
    {
        foreach (['faults', 'captions', 'renditions', 'videos', 'uploads', 'tokens', 'accounts'] as $table) {
            Schema::dropIfExists($table);
        }
    }
};
