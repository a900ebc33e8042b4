<?php

use Illuminate\Database\Migrations\Migration;
use Illuminate\Database\Schema\Blueprint;
use Illuminate\Support\Facades\Schema;

/** Transit tests: what was sent through a host's recompression, and what was left. */
return new class extends Migration
{
    public function up(): void
    {
        Schema::create('transit_tests', function (Blueprint $table): void {
            $table->id();
            $table->foreignId('cut_id')->constrained()->cascadeOnDelete();
            $table->string('host');
            // What lists and pages show of it, without its plans.
            $table->json('card');
            // What is tested, frozen: the host, the candidates' plans, screens, pieces and weights.
            $table->json('asked');
            $table->json('result')->nullable();
            // Which files of the store it was made with, so that eyes can look at them.
            $table->json('made')->nullable();
            $table->timestamps();
        });
    }
};
