<?php

use App\Models\Run;
use Illuminate\Database\Migrations\Migration;
use Illuminate\Database\Schema\Blueprint;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Facades\Schema;

/** What the queue shows of a run stands in a column of its own; a run knows the file it was asked for; a sheet has versions. */
return new class extends Migration
{
    public function up(): void
    {
        Schema::table('runs', function (Blueprint $table): void {
            $table->json('card')->default('{}'); // what belt and queue show of plan and slip
            $table->string('same', 32)->nullable()->index(); // alike for runs that make the same of the same
            $table->json('cut_state')->nullable(); // size, time and fingerprint of the cut's file when it was packed
        });
        foreach (DB::table('runs')->select(['id', 'plan', 'slip'])->lazyById(100) as $run) {
            $slip = $run->slip === null ? null : (array) json_decode($run->slip, true);
            $card = Run::cardOf((array) json_decode($run->plan, true), $slip);
            DB::table('runs')->where('id', $run->id)->update(['card' => json_encode($card, JSON_UNESCAPED_UNICODE | JSON_THROW_ON_ERROR)]);
        }
        Schema::table('cuts', function (Blueprint $table): void {
            $table->unsignedInteger('sheet_version')->default(1);
        });
        Schema::table('cuts', function (Blueprint $table): void {
            $table->dropColumn('reading'); // made again from the probe
        });
        Schema::create('sheet_versions', function (Blueprint $table): void {
            $table->id();
            $table->foreignId('cut_id')->constrained()->cascadeOnDelete();
            $table->unsignedInteger('version');
            $table->json('range')->nullable();
            $table->json('outputs');
            $table->timestamps();
            $table->unique(['cut_id', 'version']);
        });
    }
};
