<?php

use Illuminate\Database\Migrations\Migration;
use Illuminate\Database\Schema\Blueprint;
use Illuminate\Support\Facades\Schema;

return new class extends Migration
{
    public function up(): void
    {
        Schema::create('cuts', function (Blueprint $table): void {
            $table->id();
            $table->string('name');
            $table->string('path', 4096)->unique();
            $table->unsignedBigInteger('bytes');
            $table->unsignedBigInteger('modified'); // Unix time of the file when it was read
            $table->json('reading');
            $table->json('card'); // what the shelf shows of the reading
            $table->json('probe'); // what the reading was made from, so that it can be made again
            $table->json('outputs'); // the sheet: preset, host and edits of each column
            $table->timestamps();
        });

        Schema::create('runs', function (Blueprint $table): void {
            $table->id();
            $table->uuid('pack')->index();
            $table->foreignId('cut_id')->nullable()->constrained()->nullOnDelete();
            $table->string('cut_name');
            $table->string('source', 4096);
            $table->string('name');
            $table->string('file', 4096); // where it is to lie, or lies
            $table->string('state', 16)->index();
            $table->json('plan');
            $table->json('passes');
            $table->unsignedBigInteger('frames')->default(0);
            $table->unsignedSmallInteger('percent')->default(0);
            $table->decimal('speed', 10, 2)->nullable(); // frames per second
            $table->unsignedInteger('seconds_left')->nullable();
            $table->boolean('stop_asked')->default(false);
            $table->text('error')->nullable();
            $table->json('slip')->nullable();
            $table->timestamp('started_at', 3)->nullable();
            $table->timestamp('ended_at', 3)->nullable();
            $table->timestamps();
        });

        Schema::create('speeds', function (Blueprint $table): void {
            $table->string('key')->primary();
            $table->unsignedBigInteger('pixels_per_second');
            $table->timestamps();
        });

        Schema::create('settings', function (Blueprint $table): void {
            $table->string('key')->primary();
            $table->json('value');
            $table->timestamps();
        });

        Schema::create('jobs', function (Blueprint $table): void {
            $table->id();
            $table->string('queue')->index();
            $table->longText('payload');
            $table->unsignedTinyInteger('attempts');
            $table->unsignedInteger('reserved_at')->nullable();
            $table->unsignedInteger('available_at');
            $table->unsignedInteger('created_at');
        });

        Schema::create('failed_jobs', function (Blueprint $table): void {
            $table->id();
            $table->string('uuid')->unique();
            $table->text('connection');
            $table->text('queue');
            $table->longText('payload');
            $table->longText('exception');
            $table->timestamp('failed_at')->useCurrent();
        });
    }

    public function down(): void
    {
        foreach (['failed_jobs', 'jobs', 'settings', 'speeds', 'runs', 'cuts'] as $table) {
            Schema::dropIfExists($table);
        }
    }
};
