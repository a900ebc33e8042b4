<?php

namespace App\Resources;

use App\Media\Drive;
use App\Models\ClearedFile;
use App\Models\Delivery;
use App\Store\Store;
use Illuminate\Database\Eloquent\Collection;
use OuterCrate\Units\ByteCount;

/** What takes room, as its page shows it (resources/schema/store.json, store-derived.json). */
final class StoreResource
{
    /** Names of cleared files in an answer. */
    private const MAX_NAMES = 24;

    /** @return array<string, mixed> one page of files, and the size of all */
    public static function of(Store $store, ?string $cursor): array
    {
        $page = $store->page($cursor);
        $files = new Collection($page->items());
        [$kept, $ofCuts] = [$store->kept($files), $store->bytesOf($files->pluck('cut_id')->unique()->values()->all())];
        $cleared = ClearedFile::query()->toBase()->selectRaw('count(*) as files, sum(bytes) as bytes')->first();
        $names = ClearedFile::query()->orderBy('id')->limit(self::MAX_NAMES)->get(['path']);

        return [
            'files' => $files->map(fn (Delivery $file): array => self::file($file) + [
                'kept' => $kept[$file->run_id] ?? null,
                'cutBytesLabel' => self::label($ofCuts[(int) $file->cut_id] ?? $file->bytes),
            ])->all(),
            'cursor' => $page->nextCursor()?->encode(),
            'filesLabel' => self::label($store->bytes()),
            'cleared' => [
                'files' => (int) ($cleared->files ?? 0),
                'names' => $names->map(fn (ClearedFile $file): string => mb_scrub(basename($file->path)))->all(),
                'label' => self::label((int) ($cleared->bytes ?? 0)),
            ],
        ];
    }

    /** @return array<string, mixed> */
    public static function derived(Store $store): array
    {
        $derived = $store->derived();

        return ['derived' => array_map(
            fn (string $what, int $bytes): array => ['what' => $what, 'bytes' => $bytes, 'label' => self::label($bytes)],
            array_keys($derived),
            $derived,
        )];
    }

    /** @return array<string, mixed> */
    private static function file(Delivery $file): array
    {
        $path = (string) $file->run?->file;

        return [
            'run' => $file->run_id,
            'pack' => $file->pack,
            'cut' => $file->cut_id,
            'cutName' => $file->cut_name,
            'role' => $file->role,
            'file' => $file->file,
            'path' => mb_scrub($path),
            'onDisk' => $path !== '' && Drive::holds($path),
            'bytes' => $file->bytes,
            'bytesLabel' => self::label($file->bytes),
            'endedAt' => Moment::at($file->made_at->getTimestamp()),
        ];
    }

    private static function label(int $bytes): string
    {
        return (string) new ByteCount($bytes);
    }
}
