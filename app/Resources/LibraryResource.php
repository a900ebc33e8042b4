<?php

namespace App\Resources;

use App\Library\BrokenFile;
use App\Library\BrokenItem;
use App\Library\Entry;
use App\Library\ItemFile;
use App\Library\Kind;
use App\Library\Library;
use App\Library\Ranking;
use App\Models\Cut;
use InvalidArgumentException;
use OuterCrate\Formats\Catalogue;
use OuterCrate\Hosts\Host;
use OuterCrate\Hosts\HostFile;
use OuterCrate\Hosts\HostWords;

/** A preset or host with its versions, as its page shows it (resources/schema/library-item.json). */
class LibraryResource
{
    /** What stands above its rules. */
    private const HEAD = [
        'name' => 'Called', 'about' => 'Note', 'role' => 'Role', 'host' => 'Made for', 'device' => 'Device', 'tags' => 'Tags',
    ];

    public function __construct(
        private readonly Library $library,
        private readonly Ranking $ranking,
        private readonly PresetResource $presets,
        private readonly Catalogue $catalogue,
    ) {
    }

    /** @return array<string, mixed> */
    public function whole(Entry $entry): array
    {
        $collection = $this->library->of($entry->kind);
        $fault = null;
        $made = null;
        try {
            $made = $collection->need($entry->slug);
        } catch (BrokenItem|BrokenFile $e) {
            $fault = $e->getMessage();
        }
        $about = $entry->file->content->about ?? '';

        return [
            'kind' => $entry->kind->value,
            'slug' => $entry->slug,
            'name' => $entry->name(),
            'about' => is_string($about) ? $about : '',
            'version' => $entry->version,
            'shipped' => $entry->shipped,
            'favourite' => in_array($entry->slug, $this->ranking->favourites($entry->kind), true),
            'file' => (object) $entry->file->document($entry->slug),
            'unknown' => $entry->file->unknown(),
            'rows' => $this->inWords($entry->file, $entry->slug),
            'versions' => array_map(fn (Entry $version): array => [
                'version' => $version->version,
                'note' => $version->note,
                'savedAt' => $version->savedAt(),
                'name' => $version->name(),
            ], $collection->versions($entry->slug)),
            'fault' => $fault,
            'presets' => $entry->kind === Kind::Host ? $this->presetsFor($entry->slug) : [],
            'sheets' => self::sheets($entry),
            'host' => $made instanceof Host ? HostResource::of($made) : null,
            'card' => $entry->kind === Kind::Preset ? $this->presets->card($entry) : null,
        ];
    }

    /** @return list<array{label: string, from: string, to: string}> */
    public function compared(Kind $kind, string $slug, int $from, int $to): array
    {
        $of = fn (int $version): ItemFile => $this->library->of($kind)->needVersion($slug, $version)->file;

        return $this->differences($of($from), $of($to));
    }

    /** @return list<array{label: string, from: string, to: string}> rows of which two files say something else */
    public function differences(ItemFile $from, ItemFile $to): array
    {
        $before = array_column($this->inWords($from, 'from'), 'text', 'label');
        $after = array_column($this->inWords($to, 'to'), 'text', 'label');
        $rows = [];
        foreach (array_keys($before + $after) as $label) {
            [$was, $is] = [$before[$label] ?? '–', $after[$label] ?? '–'];
            if ($was !== $is) {
                $rows[] = ['label' => (string) $label, 'from' => $was, 'to' => $is];
            }
        }

        return $rows;
    }

    /** @return list<array{label: string, text: string}> */
    private function inWords(ItemFile $file, string $slug): array
    {
        $rows = [];
        foreach (self::HEAD as $field => $label) {
            $text = $file->content->{$field} ?? '';
            $text = is_array($text) ? implode(', ', array_filter($text, is_string(...))) : $text;
            if (is_string($text) && $text !== '') {
                $rows[] = ['label' => $label, 'text' => $text];
            }
        }
        if ($file->kind === Kind::Preset) {
            foreach ($this->presets->rows(new Entry(Kind::Preset, $slug, 1, false, $file)) as $row) {
                $rows[] = ['label' => $row['label'], 'text' => $row['rule']];
            }

            return $rows;
        }
        try {
            return [...$rows, ...HostWords::of((new HostFile($this->catalogue))->host($slug, $file->fields()))];
        } catch (InvalidArgumentException) {
            return $rows;
        }
    }

    /** @return list<array{slug: string, name: string}> */
    private function presetsFor(string $host): array
    {
        $for = array_filter($this->library->presets->entries(), fn (Entry $entry): bool => ($entry->file->content->host ?? null) === $host);

        return array_values(array_map(fn (Entry $entry): array => ['slug' => $entry->slug, 'name' => $entry->name()], $for));
    }

    /** @return list<array{cut: int, name: string, outputs: int}> */
    private static function sheets(Entry $entry): array
    {
        $sheets = [];
        foreach (Cut::query()->select(['id', 'name', 'outputs'])->orderBy('name')->get() as $cut) {
            $relying = array_filter($cut->outputs, fn (array $output): bool => ($output[$entry->kind->value] ?? null) === $entry->slug);
            if ($relying !== []) {
                $sheets[] = ['cut' => $cut->id, 'name' => $cut->name, 'outputs' => count($relying)];
            }
        }

        return $sheets;
    }
}
