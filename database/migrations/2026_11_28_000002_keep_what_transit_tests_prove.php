<?php

use Illuminate\Database\Migrations\Migration;
use Illuminate\Database\Schema\Blueprint;
use Illuminate\Support\Facades\Schema;

/** What findings cite of transit tests: beside the tests, whose plans and figures are large, since every change of a sheet asks for it. */
return new class extends Migration
{
    public function up(): void
    {
        Schema::create('transit_proofs', function (Blueprint $table): void {
            $table->id();
            $table->foreignId('transit_test_id')->unique()->constrained()->cascadeOnDelete();
            $table->foreignId('cut_id')->index()->constrained()->cascadeOnDelete();
            // Of the cut that was tested: another content is another cut.
            $table->string('fingerprint', 64);
            $table->json('uploads');
            $table->timestamps();
        });
    }
};
