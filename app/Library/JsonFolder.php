<?php

namespace App\Library;

use App\Engine\Clock;
use App\Schema\Contract;
use InvalidArgumentException;
use JsonException;
use ReflectionClass;
use stdClass;

/**
 * A folder of JSON files in one of the product's formats, read when they change and held to its schema.
 *
 * @template T of object
 */
abstract class JsonFolder
{
    /** Seconds after which it is looked whether a file has changed: a worker lives for hours. */
    private const FRESH = 1.0;

    /** @var array<string, T>|null */
    private ?array $items = null;

    /** @var array<string, stdClass> */
    private array $files = [];

    private float $looked = 0.0;

    private string $state = '';

    /** When this version of the program was installed. */
    private ?string $program = null;

    /** @var array<string, BrokenFile> */
    private array $broken = [];

    public function __construct(private readonly Contract $contract)
    {
    }

    abstract protected function folder(): string;

    /** Name of the schema that every file must meet. */
    abstract protected function schema(): string;

    /**
     * @param  array<mixed>  $file
     * @param  int|null  $version  the file's own when null
     * @return T
     *
     * @throws InvalidArgumentException when it asks for what cannot be made here
     */
    abstract public function make(string $slug, array $file, ?int $version = null): object;

    /** @return list<string> other folders whose files its items are made with */
    protected function besides(): array
    {
        return [];
    }

    /** @return list<string> */
    private static function paths(string $folder): array
    {
        return glob("{$folder}/*.json") ?: [];
    }

    /**
     * A broken file takes no other with it.
     *
     * @return array<string, T> by slug, in alphabetical order
     */
    public function items(): array
    {
        if ($this->items !== null && Clock::seconds() - $this->looked < self::FRESH) {
            return $this->items;
        }
        $this->looked = Clock::seconds();
        $paths = self::paths($this->folder());
        clearstatcache();
        $watched = [...$paths, ...array_merge(...array_map(self::paths(...), $this->besides()))];
        $state = serialize(array_map(fn (string $path): array => [$path, @filemtime($path), @filesize($path)], $watched));
        if ($this->items !== null && $state === $this->state) {
            return $this->items;
        }
        [$this->state, $this->broken, $this->files] = [$state, [], []];
        $items = [];
        foreach ($paths as $path) {
            $slug = basename($path, '.json');
            try {
                $text = (string) file_get_contents($path);
                $content = json_decode($text, false, 64, JSON_THROW_ON_ERROR);
                $faults = $this->contract->faults($content, $this->schema(), $path);
                if ($faults !== []) {
                    throw new BrokenFile($path, $faults[0]['path'].': '.$faults[0]['text']);
                }
                $items[$slug] = $this->make($slug, json_decode($text, true, 64, JSON_THROW_ON_ERROR));
                $this->files[$slug] = $content;
            } catch (BrokenFile|UnknownName $e) {
                $this->broken[$slug] = $e instanceof BrokenFile ? $e : new BrokenFile($path, $e->getMessage());
            } catch (JsonException|InvalidArgumentException $e) {
                $this->broken[$slug] = new BrokenFile($path, $e->getMessage());
            }
        }

        return $this->items = $items;
    }

    /** Another one whenever a file that items are made with, or the program, is another. */
    public function state(): string
    {
        $this->items();
        $class = (string) (new ReflectionClass($this))->getFileName();
        $this->program ??= filemtime(base_path('vendor/composer/installed.json')).filemtime($class);

        return md5($this->state.$this->program);
    }

    /** @return array<string, stdClass> the files that items are made of, decoded, by slug */
    public function files(): array
    {
        $this->items();

        return $this->files;
    }

    /**
     * @return T
     *
     * @throws UnknownName
     * @throws BrokenFile
     */
    public function item(string $slug): object
    {
        $items = $this->items();

        return $items[$slug] ?? throw $this->broken[$slug] ?? new UnknownName($this->schema(), $slug, array_keys($items));
    }

    /**
     * @return list<array{file: string, fault: string}> as pages show them
     */
    public function brokenInWords(): array
    {
        $this->items();

        return array_values(array_map(
            fn (BrokenFile $broken): array => ['file' => basename($broken->file()), 'fault' => $broken->getMessage()],
            $this->broken,
        ));
    }
}
