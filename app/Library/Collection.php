<?php

namespace App\Library;

use App\Schema\Contract;
use Illuminate\Support\Facades\Cache;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Str;
use InvalidArgumentException;

/**
 * The presets or the hosts: those that ship, which are files, and a person's own, of which every saved version is kept. An item is
 * known by its slug, which stays when it is called anew. A broken one takes no other with it.
 *
 * @template T of object
 */
abstract class Collection
{
    /** Own items at most: more than anybody makes, and few enough to be searched in an instant. */
    public const MOST = 5_000;

    /** @var array<string, T> made items by slug, version and what they say */
    private array $made = [];

    /** @var array<string, Entry> those that ship, by slug */
    private array $shippedEntries = [];

    /** The files that those were read of. */
    private string $shippedState = '';

    private readonly OwnItems $own;

    /** @param  JsonFolder<T>  $shipped */
    public function __construct(
        public readonly Kind $kind,
        private readonly JsonFolder $shipped,
        private readonly Contract $contract,
    ) {
        $this->own = new OwnItems($kind);
    }

    /**
     * Every item that can be made, by slug in alphabetical order.
     *
     * @return array<string, T>
     */
    public function all(): array
    {
        $items = $this->shipped->items();
        foreach ($this->own->entries() as $slug => $entry) {
            unset($items[$slug]);
            try {
                $items[$slug] = $this->madeOf($entry);
            } catch (BrokenItem) {
            }
        }
        ksort($items);

        return $items;
    }

    /** @return array<string, T> those that ship, by slug in alphabetical order */
    public function shipped(): array
    {
        return $this->shipped->items();
    }

    /** @return T|null */
    public function find(string $slug): ?object
    {
        try {
            return $this->need($slug);
        } catch (BrokenItem|BrokenFile|UnknownName) {
            return null;
        }
    }

    /**
     * @return T
     *
     * @throws UnknownName
     * @throws BrokenFile
     * @throws BrokenItem
     */
    public function need(string $slug): object
    {
        $own = $this->own->entry($slug);

        return $own === null ? $this->shipped->item($slug) : $this->madeOf($own);
    }

    /**
     * What an item was in a version.
     *
     * @return T|null null where that version is not kept
     */
    public function at(string $slug, int $version): ?object
    {
        try {
            $entry = $this->version($slug, $version);

            return $entry === null ? null : $this->madeOf($entry);
        } catch (BrokenItem|BrokenFile) {
            return null;
        }
    }

    /**
     * Every item as it stands, own ones first.
     *
     * @return array<string, Entry> by slug
     */
    public function entries(): array
    {
        return $this->own->entries() + $this->shippedEntries();
    }

    /** @throws UnknownName */
    public function entry(string $slug): Entry
    {
        return $this->own->entry($slug)
            ?? $this->shippedEntries()[$slug]
            ?? throw new UnknownName($this->kind->value, $slug, $this->near($slug));
    }

    /** An item of one's own, which can be saved over; null where there is none. */
    public function own(string $slug): ?Entry
    {
        return $this->own->entry($slug);
    }

    /** @return list<Entry> of an item, the newest first */
    public function versions(string $slug): array
    {
        $entry = $this->entry($slug);

        return $entry->shipped ? [$entry] : $this->own->versions($slug);
    }

    /**
     * @throws UnknownName
     * @throws NotSaved when it has no such version
     */
    public function needVersion(string $slug, int $version): Entry
    {
        return $this->version($slug, $version) ?? throw NotSaved::noVersion($this->entry($slug)->name(), $version);
    }

    public function version(string $slug, int $version): ?Entry
    {
        $shipped = $this->shippedEntries()[$slug] ?? null;

        return $this->own->version($slug, $version) ?? ($shipped?->version === $version ? $shipped : null);
    }

    /**
     * A new item.
     *
     * @throws NotInFormat
     * @throws NotSaved when another is called so already
     */
    public function create(ItemFile $file, string $note = ''): Entry
    {
        $this->hold($file);
        if ($this->named($file->name()) !== null) {
            throw NotSaved::sameName($this->kind, $file->name());
        }

        return $this->add($file, $note);
    }

    /**
     * A new item of a file that was held to the format, under a name that is free.
     *
     * @param  string|null  $slug  that it is to be known by; of its name when null or taken
     *
     * @throws NotSaved when there are too many
     */
    public function add(ItemFile $file, string $note, ?string $slug = null): Entry
    {
        if ($this->own->count() >= self::MOST) {
            throw NotSaved::full($this->kind, self::MOST);
        }

        return DB::transaction(fn (): Entry => $this->own->add($this->free($slug ?? $file->name()), $file, $note));
    }

    /**
     * A new version of an own item. Where nothing differs, nothing is saved.
     *
     * @param  int|null  $began  version that it began from: one that was saved meanwhile is not saved over
     *
     * @throws NotInFormat
     * @throws NotSaved when it ships, was saved meanwhile, or another is called so
     */
    public function save(string $slug, ItemFile $file, string $note = '', ?int $began = null): Entry
    {
        $this->hold($file);
        $named = $this->named($file->name());
        if ($named !== null && $named !== $slug) {
            throw NotSaved::sameName($this->kind, $file->name());
        }

        return $this->put($slug, $file, $note, $began);
    }

    /**
     * The same of a file that was held to the format, under its own name.
     *
     * @throws NotSaved when it ships or was saved meanwhile
     */
    public function put(string $slug, ItemFile $file, string $note, ?int $began = null): Entry
    {
        return DB::transaction(function () use ($slug, $file, $note, $began): Entry {
            $item = $this->own->item($slug);
            if ($item === null || $item->removed_at !== null) {
                throw NotSaved::shipped($this->kind, $this->entry($slug)->name());
            }
            $current = $this->entry($slug);
            if ($began !== null && $began !== $item->version) {
                throw NotSaved::meanwhile($current->name(), $began, $item->version);
            }
            if ($current->file->saysLike($file)) {
                return $current;
            }

            return $this->own->addVersion($item, $file, $note);
        });
    }

    /** Makes an earlier version the newest; those between stay. */
    public function goBack(string $slug, int $version): Entry
    {
        return $this->save($slug, $this->needVersion($slug, $version)->file, "Back to version {$version}");
    }

    /**
     * Takes an own item away. Its versions stay, so that it can be taken back.
     *
     * @throws NotSaved when it ships
     */
    public function remove(string $slug): void
    {
        $item = $this->own->item($slug);
        if ($item === null || $item->removed_at !== null) {
            throw NotSaved::shipped($this->kind, $this->entry($slug)->name());
        }
        $item->update(['removed_at' => now()]);
    }

    /**
     * Takes back what was taken away.
     *
     * @throws UnknownName
     * @throws NotSaved when another has its name now
     */
    public function restore(string $slug): Entry
    {
        $item = $this->own->item($slug) ?? throw new UnknownName($this->kind->value, $slug, $this->near($slug));
        $entry = $this->version($slug, $item->version);
        if ($entry !== null && $item->removed_at !== null && $this->named($entry->name()) !== null) {
            throw NotSaved::sameName($this->kind, $entry->name());
        }
        $item->update(['removed_at' => null]);

        return $this->entry($slug);
    }

    /** @return list<array{slug: string, name: string, removedAt: string}> what was taken away, the last first */
    public function removed(): array
    {
        return $this->own->removed();
    }

    /** Slug of the item that is called so, own or shipped. */
    public function named(string $name): ?string
    {
        $wanted = mb_strtolower(trim($name));
        foreach ($this->entries() as $slug => $entry) {
            if (mb_strtolower($entry->name()) === $wanted) {
                return (string) $slug;
            }
        }

        return null;
    }

    /**
     * A file held to the format, and to what can be made here.
     *
     * @throws NotInFormat
     */
    public function read(mixed $content, string $called): ItemFile
    {
        $file = ItemFile::of($this->kind, $content, $this->contract, $called);
        try {
            $this->shipped->make('new', $file->fields(), 1);
        } catch (InvalidArgumentException|UnknownName $e) {
            throw new NotInFormat($called, rtrim($e->getMessage(), '.'));
        }

        return $file;
    }

    /**
     * What cannot be made. A file that something was made of once is not tried again, as long as the files that it is made with are
     * the same.
     *
     * @param  array<string, Entry>|null  $entries  by slug, if the caller has read them
     * @return list<array{file: string, fault: string}> as pages show them
     */
    public function brokenInWords(?array $entries = null): array
    {
        $broken = $this->shipped->brokenInWords();
        $place = "library:whole:{$this->kind->value}:{$this->shipped->state()}";
        $known = Cache::get($place, []);
        $whole = [];
        $own = array_filter($entries ?? $this->own->entries(), fn (Entry $entry): bool => ! $entry->shipped);
        foreach ($own as $slug => $entry) {
            $content = $entry->file->fingerprint();
            try {
                isset($known[$content]) || $this->madeOf($entry);
                $whole[$content] = true;
            } catch (BrokenItem $e) {
                $broken[] = ['file' => (string) $slug, 'fault' => $e->getMessage()];
            }
        }
        $whole == $known || Cache::forever($place, $whole);

        return $broken;
    }

    /** The name, or the first of `name 2`, `name 3` … that nothing is called. */
    public function freeName(string $name): string
    {
        $taken = array_flip(array_map(fn (Entry $entry): string => mb_strtolower($entry->name()), $this->entries()));
        for ($i = 2, $free = $name; isset($taken[mb_strtolower($free)]); $i++) {
            $free = "{$name} {$i}";
        }

        return $free;
    }

    /**
     * The file of an item, for another one to begin with; under a name of its own.
     *
     * @throws UnknownName
     */
    public function copyOf(string $slug): ItemFile
    {
        $entry = $this->entry($slug);

        return $entry->file->with(name: $this->freeName("{$entry->name()}, my own"));
    }

    private function hold(ItemFile $file): void
    {
        $this->read($file->content, '');
    }

    /** @return array<string, Entry> by slug; read anew when their files are others */
    private function shippedEntries(): array
    {
        $state = $this->shipped->state();
        if ($state !== $this->shippedState) {
            $this->shippedState = $state;
            $this->shippedEntries = [];
            foreach ($this->shipped->files() as $slug => $content) {
                $revision = is_int($content->revision ?? null) ? $content->revision : 1;
                $this->shippedEntries[$slug] = new Entry($this->kind, $slug, $revision, true, ItemFile::lies($this->kind, $content));
            }
        }

        return $this->shippedEntries;
    }

    /**
     * @return T
     *
     * @throws BrokenItem
     */
    private function madeOf(Entry $entry): object
    {
        try {
            return $this->made["{$entry->slug} {$entry->version} {$entry->file->fingerprint()}"] ??=
                $this->shipped->make($entry->slug, $entry->file->fields(), $entry->version);
        } catch (InvalidArgumentException|UnknownName|BrokenFile $e) {
            throw new BrokenItem($this->kind, $entry->name(), $e->getMessage());
        }
    }

    /** A slug that nothing else has or had. */
    private function free(string $wanted): string
    {
        $slug = trim(Str::limit(Str::slug($wanted), 70, ''), '-') ?: $this->kind->value;
        $taken = fn (string $slug): bool => isset($this->shippedEntries()[$slug]) || $this->own->item($slug) !== null;
        for ($free = $slug, $i = 2; $taken($free); $i++) {
            $free = "{$slug}-{$i}";
        }

        return $free;
    }

    /** @return list<string> slugs like one, or the first few: what a person may have meant */
    private function near(string $slug): array
    {
        $known = array_map(strval(...), array_keys($this->entries()));
        usort($known, fn (string $a, string $b): int => levenshtein(substr($slug, 0, 80), $a) <=> levenshtein(substr($slug, 0, 80), $b));

        return array_slice($known, 0, 30);
    }
}
