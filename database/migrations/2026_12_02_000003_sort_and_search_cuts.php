<?php

use Illuminate\Database\Migrations\Migration;
use Illuminate\Database\Schema\Blueprint;
use Illuminate\Support\Collection;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Facades\Schema;

/** Columns and indexes for sorting and searching the shelf. Whole rows are too wide to scan. */
return new class extends Migration
{
    private const SORTED = ['search', 'pixels', 'frame_rate', 'video', 'colour', 'audio', 'seconds', 'bytes'];

    public function up(): void
    {
        Schema::table('cuts', function (Blueprint $table): void {
            $table->text('search')->default(''); // name, file and video codec in lower case
            $table->unsignedBigInteger('pixels')->default(0);
            $table->double('frame_rate')->default(0);
            $table->string('video')->default('');
            $table->string('colour')->default('');
            $table->string('audio')->default('');
            $table->double('seconds')->default(0);
        });
        DB::table('cuts')->select(['id', 'name', 'path', 'card'])->chunkById(
            200,
            fn (Collection $cuts) => $cuts->each(fn (object $cut) => DB::table('cuts')->where('id', $cut->id)->update($this->row($cut))),
        );
        Schema::table('cuts', function (Blueprint $table): void {
            $table->index(['taken_off_at', 'id']);
            foreach (self::SORTED as $column) {
                $table->index(['taken_off_at', $column, 'id']);
            }
        });
    }

    public function down(): void
    {
        Schema::table('cuts', function (Blueprint $table): void {
            $table->dropIndex(['taken_off_at', 'id']);
            foreach (self::SORTED as $column) {
                $table->dropIndex(['taken_off_at', $column, 'id']);
            }
            $table->dropColumn(array_diff(self::SORTED, ['bytes']));
        });
    }

    /** @return array<string, mixed> */
    private function row(object $cut): array
    {
        $card = json_decode($cut->card, true);
        [$over, $under] = [...array_map(floatval(...), explode('/', (string) ($card['frameRate'] ?? '0'))), 1.0];
        $fps = $under > 0 ? $over / $under : 0.0;
        $values = ($card['values'] ?? []) + ['video' => '', 'colour' => '', 'audio' => ''];
        $text = fn (string $of): string => mb_substr((string) $of, 0, 255);

        return [
            'search' => mb_strtolower("{$cut->name} ".mb_scrub(basename($cut->path))." {$values['video']}"),
            'pixels' => ($card['width'] ?? 0) * ($card['height'] ?? 0),
            'frame_rate' => $fps,
            'video' => $text($values['video']),
            'colour' => $text($values['colour']),
            'audio' => $text($values['audio']),
            'seconds' => $fps > 0 ? ($card['frames'] ?? 0) / $fps : 0.0,
        ];
    }
};
