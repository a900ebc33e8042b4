<?php

namespace App\Library;

use Illuminate\Support\Facades\DB;
use Illuminate\Support\Str;
use JsonException;
use stdClass;

/** Brings files of the open format into the library: what is in them is shown first, then all of it is taken or none. */
class Import
{
    /** Bytes of a file at most: some thousands of presets. */
    public const MOST_BYTES = 8_000_000;

    public const MOST_ITEMS = 2_000;

    /** What can be done with an item that is there already in other words. */
    public const WAYS = ['both', 'replace', 'skip'];

    public function __construct(private readonly Library $library)
    {
    }

    /**
     * @return list<Incoming>
     *
     * @throws NotInFormat when any of it is: then none of it is taken
     */
    public function preview(string $text, string $called): array
    {
        $known = [];
        foreach (Kind::cases() as $kind) {
            $known[$kind->value] = $this->library->of($kind)->entries();
        }
        $names = array_map(
            fn (array $entries): array => array_flip(array_map(fn (Entry $entry): string => mb_strtolower($entry->name()), $entries)),
            $known,
        );
        $incoming = [];
        $seen = [];
        foreach ($this->contents($text, $called) as $i => [$kind, $content]) {
            $name = is_string($content->name ?? null) ? $content->name : 'item '.($i + 1);
            $file = $this->library->of($kind)->read($content, '“'.Str::limit($name, 60, '…')."” in {$called}");
            $slug = is_string($content->id ?? null) ? $content->id : null;
            $lower = mb_strtolower($file->name());
            if (isset($seen[$kind->value][$lower])) {
                throw new NotInFormat($called, "“{$name}” is in it twice", 'Take one of them out and bring it in again.');
            }
            $seen[$kind->value][$lower] = true;
            $own = $slug !== null && isset($known[$kind->value][$slug]) ? $slug : $names[$kind->value][$lower] ?? null;
            $there = $own === null ? null : $known[$kind->value][$own];
            $state = match (true) {
                $there === null => 'new',
                $there->file->saysLike($file) => 'same',
                default => 'conflict',
            };
            $incoming[] = new Incoming($file, $slug, $state, $there);
        }

        return $incoming;
    }

    /**
     * @param  list<Incoming>  $incoming
     * @param  array<int, string>  $ways  by place in the list, for those in conflict; `both` where none is said
     * @return array{taken: list<Entry>, left: int}
     */
    public function take(array $incoming, array $ways, string $called): array
    {
        return DB::transaction(function () use ($incoming, $ways, $called): array {
            $taken = [];
            foreach ($incoming as $i => $item) {
                $collection = $this->library->of($item->file->kind);
                $way = $item->state === 'conflict' ? $ways[$i] ?? 'both' : $item->state;
                $note = "From {$called}";
                if ($way === 'new') {
                    $taken[] = $collection->add($item->file, $note, $item->slug);
                } elseif ($way === 'both') {
                    $taken[] = $collection->add($item->file->with(name: $collection->freeName($item->file->name())), $note);
                } elseif ($way === 'replace' && $item->there !== null) {
                    $taken[] = $collection->put($item->there->slug, $item->file, $note);
                }
            }

            return ['taken' => $taken, 'left' => count($incoming) - count($taken)];
        });
    }

    /**
     * @return list<array{Kind, stdClass}>
     *
     * @throws NotInFormat
     */
    private function contents(string $text, string $called): array
    {
        if (strlen($text) > self::MOST_BYTES) {
            $size = round(strlen($text) / 1_000_000, 1);
            throw new NotInFormat(
                $called,
                "it has {$size} MB, and presets and hosts come in files of at most 8 MB",
                'Bring in a part of it.',
            );
        }
        try {
            $content = json_decode(preg_replace('~^\xEF\xBB\xBF~', '', $text) ?? $text, false, 64, JSON_THROW_ON_ERROR);
        } catch (JsonException $e) {
            throw new NotInFormat($called, 'it is not JSON ('.lcfirst($e->getMessage()).')');
        }
        $content = $content instanceof stdClass ? $content : new stdClass;
        $format = is_string($content->format ?? null) ? $content->format : '';
        $kind = Kind::ofFormat($format);
        if ($kind !== null) {
            return [[$kind, $content]];
        }
        if ($format !== Export::FORMAT) {
            throw new NotInFormat(
                $called,
                'it does not say that it holds presets or hosts of Outer Crate',
                'Choose a file that was exported here.',
            );
        }
        $version = $content->version ?? null;
        if (is_int($version) && $version > ItemFile::VERSION) {
            throw NotInFormat::newer($called, $version, ItemFile::VERSION);
        }
        $contents = [];
        foreach (Kind::cases() as $kind) {
            foreach (is_array($content->{$kind->plural()} ?? null) ? $content->{$kind->plural()} : [] as $item) {
                $contents[] = [$kind, $item instanceof stdClass ? $item : new stdClass];
            }
        }
        if ($contents === []) {
            throw new NotInFormat($called, 'there is nothing in it', 'Choose another file.');
        }
        if (count($contents) > self::MOST_ITEMS) {
            throw new NotInFormat(
                $called,
                count($contents).' items are in it, and '.self::MOST_ITEMS.' are the most',
                'Bring in a part of it.',
            );
        }

        return $contents;
    }
}
