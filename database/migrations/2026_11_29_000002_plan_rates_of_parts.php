<?php

use Illuminate\Database\Migrations\Migration;
use Illuminate\Database\Schema\Blueprint;
use Illuminate\Support\Facades\Schema;

/** Parts of a file that is made in two passes: first what gathers, then what writes at the rate that falls to each. */
return new class extends Migration
{
    public function up(): void
    {
        Schema::table('parts', function (Blueprint $table): void {
            $table->unsignedTinyInteger('pass')->default(0); // 1 gathers, 2 writes with what was gathered, 0 is the only one
            $table->string('gathered', 64)->nullable(); // name that what its first pass left begins with
            $table->unsignedBigInteger('average')->nullable(); // bits per second that fall to it
            $table->float('full')->nullable(); // share of a decoder's buffer that is full where it begins
        });
    }

    public function down(): void
    {
        Schema::table('parts', fn (Blueprint $table) => $table->dropColumn(['pass', 'gathered', 'average', 'full']));
    }
};
