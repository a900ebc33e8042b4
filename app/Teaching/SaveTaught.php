<?php

namespace App\Teaching;

use App\Library\Entry;
use App\Library\Hosts;
use App\Library\ItemFile;
use App\Models\Teaching;

/** Makes what was learnt a version of the host, or a host of one's own where it ships. */
class SaveTaught
{
    /** What the source of a taught host begins with. */
    private const SOURCE = 'Taught by ';

    /** Lessons whose evidence a host keeps; the newest stay. */
    private const MOST_LESSONS = 100;

    public function __construct(private readonly Hosts $hosts)
    {
    }

    /** @throws TeachingRefused while there is nothing to save */
    public function save(Teaching $teaching): Entry
    {
        $result = $teaching->result ?? throw TeachingRefused::notDone();
        // Saved before: what it became is taught again.
        $slug = $teaching->saved_as ?? $teaching->host;
        $own = $this->hosts->own($slug);
        $names = array_map(fn (array $lesson): string => $lesson['upload']['name'], $result['lessons']);
        $note = self::SOURCE.implode(', ', $names);
        $entry = $own !== null
            ? $this->hosts->save($slug, $this->file($own->file, $result, $note), mb_strimwidth($note, 0, 200, '…'))
            : $this->hosts->create($this->file($this->hosts->copyOf($teaching->host), $result, $note), mb_strimwidth($note, 0, 200, '…'));
        $teaching->update(['saved_as' => $entry->slug]);

        return $entry;
    }

    /** @param  array<string, mixed>  $result */
    private function file(ItemFile $file, array $result, string $note): ItemFile
    {
        $known = $file->fields();
        $names = array_map(fn (array $lesson): string => $lesson['upload']['name'], $result['lessons']);
        $before = array_filter(
            $known['recompression']['taughtBy'] ?? [],
            fn (array $lesson): bool => ! in_array($lesson['upload']['name'], $names, true),
        );
        $sources = array_filter(
            $known['sources'] ?? [],
            fn (array $source): bool => ! str_starts_with($source['text'] ?? '', self::SOURCE),
        );

        return $file->with(
            recompression: [
                ...$known['recompression'] ?? [],
                ...$result['recompression'],
                'taughtBy' => array_slice([...array_values($before), ...$result['lessons']], -self::MOST_LESSONS),
            ],
            sources: [
                ...array_values($sources),
                ['of' => 'recompression', 'text' => mb_strimwidth($note, 0, 500, '…'), 'lookedUp' => now()->toDateString()],
            ],
        );
    }
}
