<?php

use Illuminate\Database\Migrations\Migration;
use Illuminate\Database\Schema\Blueprint;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Facades\Schema;

/** Which workers there are, on which machines. */
return new class extends Migration
{
    public function up(): void
    {
        Schema::create('workers', function (Blueprint $table): void {
            $table->string('owner', 200)->primary(); // under which name it has work in hand
            $table->string('host', 128);
            $table->json('kinds');
            $table->unsignedSmallInteger('cores');
            $table->string('engine', 64)->nullable();
            $table->string('misses', 1024)->nullable(); // a folder without which it takes nothing
            $table->timestamp('seen_at', 3)->index();
            $table->timestamps(3);
        });
        DB::table('settings')->where('key', 'worker_seen')->delete();
    }

    public function down(): void
    {
        Schema::dropIfExists('workers');
    }
};
