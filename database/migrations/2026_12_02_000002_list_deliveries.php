<?php

use Illuminate\Database\Migrations\Migration;
use Illuminate\Database\Schema\Blueprint;
use Illuminate\Support\Collection;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Facades\Schema;

/** One narrow row for each file that was made: runs hold plans and slips, and are too wide to be searched by the thousand. */
return new class extends Migration
{
    public function up(): void
    {
        Schema::create('deliveries', function (Blueprint $table): void {
            $table->id();
            $table->unsignedBigInteger('run_id')->unique();
            $table->string('pack', 36);
            $table->unsignedBigInteger('cut_id')->nullable();
            $table->text('cut_name');
            $table->text('file');
            $table->string('role');
            $table->string('preset');
            $table->string('preset_name');
            $table->string('host')->nullable();
            $table->string('host_name')->nullable();
            $table->unsignedBigInteger('bytes');
            $table->unsignedInteger('differences');
            $table->text('search'); // names of file, cut, preset and host in small letters
            $table->timestamp('made_at', 3);
            $table->index(['made_at', 'id']);
            $table->index(['cut_id', 'made_at', 'id']);
            $table->index(['preset', 'made_at', 'id']);
            $table->index(['host', 'made_at', 'id']);
        });
        DB::table('runs')->join('works', fn ($works) => $works->on('works.subject', '=', 'runs.id')->where('works.kind', 'make'))
            ->where('works.state', 'done')->whereNotNull('runs.slip')
            ->select(['runs.id', 'pack', 'cut_id', 'cut_name', 'file', 'plan', 'slip', 'works.ended_at', 'runs.updated_at'])
            ->chunkById(200, fn (Collection $runs) => DB::table('deliveries')->insert($runs->map($this->row(...))->all()), 'runs.id', 'id');
    }

    public function down(): void
    {
        Schema::drop('deliveries');
    }

    /** @return array<string, mixed> */
    private function row(object $run): array
    {
        $plan = json_decode($run->plan, true);
        $slip = json_decode($run->slip, true);
        // Before a colon stands the volume that it lies on.
        $file = mb_scrub(basename((string) preg_replace('~^[\w-]*:~', '', $run->file)));
        [$preset, $host] = [$plan['presetName'] ?? $plan['preset'], $plan['hostName'] ?? $plan['host'] ?? null];

        return [
            'run_id' => $run->id, 'pack' => $run->pack, 'cut_id' => $run->cut_id, 'cut_name' => $run->cut_name, 'file' => $file,
            'role' => $plan['role'], 'preset' => $plan['preset'], 'preset_name' => $preset, 'host' => $plan['host'] ?? null,
            'host_name' => $host, 'bytes' => $slip['bytes'], 'differences' => count($slip['differences']),
            'search' => mb_strtolower(implode(' ', array_filter([$file, $run->cut_name, $preset, $host]))),
            'made_at' => $run->ended_at ?? $run->updated_at,
        ];
    }
};
