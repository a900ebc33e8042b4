<?php

use Illuminate\Database\Migrations\Migration;
use Illuminate\Database\Schema\Blueprint;
use Illuminate\Support\Facades\Schema;

/** A cut that was taken off the shelf keeps its sheet and its slips, and can be taken back. */
return new class extends Migration
{
    public function up(): void
    {
        Schema::table('cuts', function (Blueprint $table): void {
            $table->softDeletes('taken_off_at');
        });
    }
};
