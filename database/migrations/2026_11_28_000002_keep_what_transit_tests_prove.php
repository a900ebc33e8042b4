<?php

use Illuminate\Database\Migrations\Migration;
use Illuminate\Database\Schema\Blueprint;
use Illuminate\Support\Facades\Schema;

/** What findings cite of a transit test, without its figures. */
return new class extends Migration
{
    public function up(): void
    {
        Schema::table('transit_tests', function (Blueprint $table): void {
            $table->json('proof')->nullable();
        });
    }
};
