<?php

use Illuminate\Database\Migrations\Migration;
use Illuminate\Database\Schema\Blueprint;
use Illuminate\Support\Facades\Schema;

return new class extends Migration
{
    public function up(): void
    {
        Schema::create('host_accounts', function (Blueprint $table): void {
            $table->id();
            $table->string('host'); // slug
            $table->string('name');
            $table->string('connection'); // how it is talked to: `open` or `folder`
            $table->string('address', 1024);
            $table->text('token')->nullable(); // sealed
            $table->timestamp('expires_at')->nullable();
            $table->json('takes');
            $table->timestamps();
            $table->unique(['host', 'name']);
        });
        Schema::create('detail_templates', function (Blueprint $table): void {
            $table->id();
            $table->string('host'); // slug
            $table->string('name'); // of a series
            $table->json('details'); // texts with fields
            $table->unsignedInteger('number'); // of the last video that was filled from it
            $table->timestamps();
            $table->unique(['host', 'name']);
        });
        Schema::create('dispatches', function (Blueprint $table): void {
            $table->id();
            $table->uuid('key')->unique(); // under which its host knows it: asked twice, it makes one video
            $table->foreignId('host_account_id')->constrained();
            $table->foreignId('run_id')->nullable()->constrained()->nullOnDelete();
            $table->unsignedBigInteger('in_place_of')->nullable(); // an earlier one, which is removed once this one is released
            $table->string('cut_name');
            $table->string('file', 4096);
            $table->unsignedBigInteger('bytes')->default(0);
            $table->string('sha256', 64)->nullable();
            $table->string('stage');
            $table->string('problem', 1024)->nullable();
            $table->string('place', 2048)->nullable(); // where its bytes go at its host
            $table->unsignedBigInteger('sent')->default(0);
            $table->float('seconds')->default(0); // that its bytes took so far
            $table->unsignedInteger('restarts')->default(0);
            $table->unsignedInteger('failures')->default(0); // in a row
            $table->string('remote_id')->nullable();
            $table->json('remote')->nullable(); // the video as its host told of it last
            $table->json('details');
            $table->json('captions');
            $table->string('thumbnail', 4096)->nullable();
            $table->string('visibility'); // that it arrives with
            $table->string('release')->nullable(); // `ready` or `at`; null where nothing was said
            $table->timestamp('release_at')->nullable();
            $table->timestamp('not_before')->nullable();
            $table->timestamp('arrived_at')->nullable();
            $table->timestamp('released_at')->nullable();
            $table->json('came_back')->nullable(); // files that its host made of it
            $table->foreignId('teaching_id')->nullable();
            $table->json('record'); // what was done with it and when
            $table->timestamps();
        });
    }

    public function down(): void
    {
        Schema::dropIfExists('dispatches');
        Schema::dropIfExists('detail_templates');
        Schema::dropIfExists('host_accounts');
    }
};
