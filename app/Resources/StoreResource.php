<?php

namespace App\Resources;

use App\Models\ClearedFile;
use App\Models\Run;
use App\Store\Store;
use OuterCrate\Units\ByteCount;

/** What takes room, as its page shows it (resources/schema/store.json). */
final class StoreResource
{
    /** @return array<string, mixed> */
    public static function of(Store $store): array
    {
        $runs = $store->runs();
        $kept = $store->kept($runs);
        $cleared = $store->cleared();
        $files = $runs->map(fn (Run $run): array => self::file($run) + ['kept' => $kept[$run->id] ?? null])->all();
        $ofCuts = [];
        foreach ($files as $file) {
            $ofCuts[$file['cut']] = ($ofCuts[$file['cut']] ?? 0) + $file['bytes'];
        }
        $files = array_map(fn (array $file): array => $file + ['cutBytesLabel' => self::label($ofCuts[$file['cut']])], $files);
        $derived = $store->derived();

        return [
            'files' => $files,
            'filesLabel' => self::label(array_sum(array_column($files, 'bytes'))),
            'cleared' => $cleared->map(fn (ClearedFile $file): string => mb_scrub(basename($file->path)))->all(),
            'clearedLabel' => self::label((int) $cleared->sum('bytes')),
            'derived' => array_map(
                fn (string $what, int $bytes): array => ['what' => $what, 'bytes' => $bytes, 'label' => self::label($bytes)],
                array_keys($derived),
                $derived,
            ),
        ];
    }

    /** @return array<string, mixed> */
    private static function file(Run $run): array
    {
        $bytes = (int) $run->getAttribute('made_bytes');

        return [
            'run' => $run->id,
            'pack' => $run->pack,
            'cut' => $run->cut_id,
            'cutName' => $run->cut_name,
            'role' => $run->card['role'],
            'file' => mb_scrub(basename($run->file)),
            'path' => mb_scrub($run->file),
            'bytes' => $bytes,
            'bytesLabel' => self::label($bytes),
            'endedAt' => $run->work->ended_at?->toIso8601ZuluString(),
        ];
    }

    private static function label(int $bytes): string
    {
        return (string) new ByteCount($bytes);
    }
}
