<?php

namespace App\Library;

use OuterCrate\Planning\Sheet\Schemas;

/** Items as a file of the open format: one by itself, several together. */
class Export
{
    /** Of a file of several. */
    public const FORMAT = 'outer-crate/library';

    public function __construct(private readonly Library $library)
    {
    }

    /**
     * @param  list<string>  $presets  slugs
     * @param  list<string>  $hosts
     *
     * @throws UnknownName
     */
    public function text(array $presets, array $hosts): string
    {
        $entries = fn (Kind $kind, array $slugs): array => array_map(
            $this->library->of($kind)->entry(...),
            array_values(array_unique($slugs)),
        );
        [$presets, $hosts] = [$entries(Kind::Preset, $presets), $entries(Kind::Host, $hosts)];
        if (count($presets) + count($hosts) === 1) {
            $one = [...$presets, ...$hosts][0];

            return $one->file->text($one->slug);
        }
        $document = fn (Entry $entry): array => $entry->file->document($entry->slug);

        return ItemFile::encoded([
            '$schema' => Schemas::ADDRESS.'library.json',
            'format' => self::FORMAT,
            'version' => ItemFile::VERSION,
            'presets' => array_map($document, $presets),
            'hosts' => array_map($document, $hosts),
        ]);
    }

    /**
     * What the file is called.
     *
     * @param  list<string>  $presets  slugs
     * @param  list<string>  $hosts
     */
    public function name(array $presets, array $hosts): string
    {
        return count($presets) + count($hosts) === 1 ? [...$presets, ...$hosts][0].'.json' : 'outer-crate-library.json';
    }
}
