<?php

use Illuminate\Database\Migrations\Migration;
use Illuminate\Database\Schema\Blueprint;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Facades\Schema;

return new class extends Migration
{
    public function up(): void
    {
        Schema::create('samples', function (Blueprint $table): void {
            $table->id();
            $table->foreignId('cut_id')->constrained()->cascadeOnDelete();
            $table->string('key', 32); // of the settings and the range
            $table->json('output'); // as it is planned from
            $table->json('result')->nullable(); // null while it waits; false when pieces could not be encoded
            $table->timestamp('wanted_at', 3)->nullable(); // when a sheet last asked for it
            $table->timestamps();
            $table->unique(['cut_id', 'key']);
        });
        // Speeds are kept by frame size from now on.
        DB::table('speeds')->delete();
    }

    public function down(): void
    {
        Schema::dropIfExists('samples');
    }
};
