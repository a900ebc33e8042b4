<?php

namespace App\Resources;

use App\Library\Entry;
use OuterCrate\Hosts\Asks\BitrateRow;
use OuterCrate\Hosts\Host;

/** A host as lists and its page show it (resources/schema/host-list.json, library-item.json). */
final class HostResource
{
    /** @return array<string, mixed> */
    public static function of(Host $host): array
    {
        return [
            'highFrameRateAbove' => $host->asks->bitrate->highAbove->label(),
            'bitrates' => array_map(self::row(...), $host->asks->bitrate->rows),
            'recompression' => $host->recompression?->words(),
        ];
    }

    /**
     * A host in the list: read from its file as it lies, since a list of hundreds makes none of them.
     *
     * @return array<string, mixed>
     */
    public static function card(Entry $entry, bool $favourite): array
    {
        $file = $entry->file->fields();
        $about = is_string($file['about'] ?? null) ? $file['about'] : '';
        $asks = is_array($file['asks'] ?? null) ? $file['asks'] : [];
        $of = fn (string $table, string $column): array => array_column($asks[$table] ?? [], $column);
        $said = [$asks['containers'] ?? [], $of('codecs', 'codec'), $of('bitrates', 'shorterSide')];

        return [
            'slug' => $entry->slug,
            'name' => $entry->name(),
            'about' => $about,
            'version' => $entry->version,
            'shipped' => $entry->shipped,
            'favourite' => $favourite,
            'words' => mb_strtolower(implode(' ', array_merge(...$said))),
        ];
    }

    /** @return array<string, mixed> */
    private static function row(BitrateRow $row): array
    {
        return [
            'shorterSide' => $row->shorterSide,
            'normal' => (string) $row->normal,
            'high' => (string) $row->high,
            'peak' => $row->peak === null ? null : (string) $row->peak,
        ];
    }
}
