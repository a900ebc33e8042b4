<?php

namespace App\Library;

use App\Models\LibraryItem;
use App\Models\LibraryVersion;
use Illuminate\Database\Query\Builder;
use Illuminate\Database\Query\JoinClause;
use Illuminate\Support\Carbon;
use Illuminate\Support\Facades\DB;

/** A person's own presets, or hosts, as they are kept: a row for each item, and one for each version of it with its whole file. */
final readonly class OwnItems
{
    /** What was taken away is shown so far back. */
    private const MOST_REMOVED = 50;

    public function __construct(private Kind $kind)
    {
    }

    /** @return array<string, Entry> as they stand, by slug in alphabetical order */
    public function entries(): array
    {
        $entries = [];
        foreach ($this->current()->whereNull('removed_at')->orderBy('slug')->get() as $row) {
            $entries[$row->slug] = $this->entryOf($row->slug, $row);
        }

        return $entries;
    }

    public function entry(string $slug): ?Entry
    {
        $row = $this->current()->whereNull('removed_at')->where('slug', $slug)->first();

        return $row === null ? null : $this->entryOf($slug, $row);
    }

    /** @return list<Entry> every version of an item, also of one that was taken away, the newest first */
    public function versions(string $slug): array
    {
        $rows = $this->all()->where('slug', $slug)->orderByDesc('library_versions.version')->get()->all();

        return array_values(array_map(fn (object $row): Entry => $this->entryOf($slug, $row), $rows));
    }

    public function version(string $slug, int $version): ?Entry
    {
        $row = $this->all()->where('slug', $slug)->where('library_versions.version', $version)->first();

        return $row === null ? null : $this->entryOf($slug, $row);
    }

    /** @return list<array{slug: string, name: string, removedAt: string}> what was taken away, the last first */
    public function removed(): array
    {
        $rows = $this->current()->whereNotNull('removed_at')->orderByDesc('removed_at')->limit(self::MOST_REMOVED)->get()->all();

        return array_values(array_map(fn (object $row): array => [
            'slug' => (string) $row->slug,
            'name' => ItemFile::kept($this->kind, (string) $row->file)->name(),
            'removedAt' => Carbon::parse($row->removed_at)->toIso8601ZuluString(),
        ], $rows));
    }

    /** Those that are not taken away. */
    public function count(): int
    {
        return LibraryItem::query()->where('kind', $this->kind->value)->whereNull('removed_at')->count();
    }

    /** The item, taken away or not. */
    public function item(string $slug): ?LibraryItem
    {
        return LibraryItem::query()->where('kind', $this->kind->value)->firstWhere('slug', $slug);
    }

    public function add(string $slug, ItemFile $file, string $note): Entry
    {
        return $this->write(LibraryItem::query()->create(['kind' => $this->kind->value, 'slug' => $slug, 'version' => 1]), $file, $note);
    }

    /** A version after the current one. */
    public function addVersion(LibraryItem $item, ItemFile $file, string $note): Entry
    {
        $item->update(['version' => $item->version + 1]);

        return $this->write($item, $file, $note);
    }

    private function write(LibraryItem $item, ItemFile $file, string $note): Entry
    {
        /** @var LibraryVersion $kept */
        $kept = $item->versions()->create(['version' => $item->version, 'note' => $note, 'file' => $file->text($item->slug)]);

        return $this->entryOf($item->slug, (object) $kept->getAttributes());
    }

    /** Every version of every item. */
    private function all(): Builder
    {
        return DB::table('library_items')
            ->join('library_versions', fn (JoinClause $join): JoinClause => $join->on('item_id', 'library_items.id'))
            ->where('kind', $this->kind->value)
            ->select(['slug', 'removed_at', 'library_versions.version', 'note', 'file', 'library_versions.created_at']);
    }

    /** Items with their current version. */
    private function current(): Builder
    {
        return $this->all()->whereColumn('library_versions.version', 'library_items.version');
    }

    private function entryOf(string $slug, object $row): Entry
    {
        $file = ItemFile::kept($this->kind, (string) $row->file);

        return new Entry($this->kind, $slug, (int) $row->version, false, $file, (string) $row->note, (string) $row->created_at);
    }
}
