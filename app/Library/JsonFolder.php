<?php

namespace App\Library;

use App\Schema\Contract;
use InvalidArgumentException;
use JsonException;

/** A folder of JSON files in one of the product's formats, read once a request and held to its schema. */
abstract class JsonFolder
{
    /** @var array<string, object>|null */
    private ?array $items = null;

    public function __construct(private readonly Contract $contract)
    {
    }

    abstract protected function folder(): string;

    /** Name of the schema that every file must meet. */
    abstract protected function schema(): string;

    /** @param  array<mixed>  $file */
    abstract protected function make(string $slug, array $file): object;

    /**
     * @return array<string, object> by slug, in alphabetical order
     *
     * @throws BrokenFile
     */
    protected function items(): array
    {
        if ($this->items !== null) {
            return $this->items;
        }
        $items = [];
        foreach (glob($this->folder().'/*.json') ?: [] as $path) {
            $slug = basename($path, '.json');
            try {
                $text = (string) file_get_contents($path);
                $faults = $this->contract->faults(json_decode($text, false, 64, JSON_THROW_ON_ERROR), $this->schema(), $path);
                if ($faults !== []) {
                    throw new BrokenFile($path, $faults[0]['path'].': '.$faults[0]['text']);
                }
                $items[$slug] = $this->make($slug, json_decode($text, true, 64, JSON_THROW_ON_ERROR));
            } catch (JsonException|InvalidArgumentException $e) {
                throw new BrokenFile($path, $e->getMessage());
            }
        }

        return $this->items = $items;
    }
}
