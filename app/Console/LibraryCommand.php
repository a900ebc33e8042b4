<?php

namespace App\Console;

use App\Library\Collection;
use App\Library\Entry;
use App\Library\Export;
use App\Library\Import;
use App\Library\Kind;
use App\Library\Library;
use App\Library\Ranking;
use App\Resources\LibraryResource;

/** `presets` and `hosts`: what is there, what one says, files in and out. */
abstract class LibraryCommand extends CrateCommand
{
    public function __construct(
        protected readonly Library $library,
        protected readonly Ranking $ranking,
        private readonly LibraryResource $resource,
        private readonly Export $export,
        private readonly Import $import,
    ) {
        parent::__construct();
    }

    abstract protected function kind(): Kind;

    /** What one item is in a line of the list. */
    abstract protected function summary(Entry $entry): string;

    protected function perform(): int
    {
        $arguments = array_values((array) $this->argument('arguments'));

        return match ($this->argument('do')) {
            'list' => $this->list($arguments[0] ?? ''),
            'show' => $this->show($arguments),
            'export' => $this->write($arguments),
            'import' => $this->bring($arguments),
            default => $this->more((string) $this->argument('do'), $arguments),
        };
    }

    /**
     * @param  list<string>  $arguments
     *
     * @throws WrongUse
     */
    protected function more(string $do, array $arguments): int
    {
        throw new WrongUse("“{$do}” is not list, show, import or export.");
    }

    /** @return Collection<covariant object> */
    private function collection(): Collection
    {
        return $this->library->of($this->kind());
    }

    private function list(string $filter): int
    {
        $entries = $this->ranking->order($this->kind(), $this->collection()->entries());
        $words = preg_split('~\s+~', mb_strtolower($filter), -1, PREG_SPLIT_NO_EMPTY) ?: [];
        $found = array_values(array_filter($entries, function (Entry $entry) use ($words): bool {
            $in = mb_strtolower("{$entry->slug} {$entry->name()} {$this->summary($entry)}");

            return array_filter($words, fn (string $word): bool => ! str_contains($in, $word)) === [];
        }));
        if ($this->option('json')) {
            $this->json(array_map(fn (Entry $entry): array => [
                'slug' => $entry->slug, 'name' => $entry->name(), 'version' => $entry->version, 'shipped' => $entry->shipped,
            ], $found));

            return self::SUCCESS;
        }
        foreach ($found as $entry) {
            $state = $entry->shipped ? 'shipped' : "version {$entry->version}";
            $this->line(sprintf('%-28s %-9s %s', $entry->slug, $state, $this->summary($entry)));
        }
        foreach ($this->collection()->brokenInWords() as $broken) {
            $this->getOutput()->getErrorStyle()->writeln("{$broken['file']}: {$broken['fault']}");
        }

        return self::SUCCESS;
    }

    /** @param  list<string>  $arguments */
    private function show(array $arguments): int
    {
        $item = $this->resource->whole($this->collection()->entry($arguments[0] ?? throw new WrongUse('Say which: show SLUG.')));
        if ($this->option('json')) {
            $this->json($item);

            return self::SUCCESS;
        }
        foreach ($item['rows'] as ['label' => $label, 'text' => $text]) {
            $this->line(sprintf('%-16s %s', $label, $text));
        }
        foreach ($item['versions'] as $version) {
            $this->line(sprintf('%-16s %s', "Version {$version['version']}", trim("{$version['savedAt']} {$version['note']}")));
        }

        return self::SUCCESS;
    }

    /** @param  list<string>  $slugs */
    private function write(array $slugs): int
    {
        $slugs !== [] ?: throw new WrongUse('Say which: export SLUG …, or export all.');
        if ($slugs === ['all']) {
            $own = array_filter($this->collection()->entries(), fn (Entry $entry): bool => ! $entry->shipped);
            $slugs = array_map(strval(...), array_keys($own));
        }
        [$presets, $hosts] = $this->kind() === Kind::Preset ? [$slugs, []] : [[], $slugs];
        $this->output->write($this->export->text($presets, $hosts), false, \Symfony\Component\Console\Output\OutputInterface::OUTPUT_RAW);

        return self::SUCCESS;
    }

    /** @param  list<string>  $arguments */
    private function bring(array $arguments): int
    {
        $path = $this->absolute($arguments[0] ?? throw new WrongUse('Say what: import FILE.'));
        $conflicts = (string) $this->option('conflicts');
        in_array($conflicts, Import::WAYS, true) ?: throw new WrongUse('--conflicts is both, replace or skip.');
        is_file($path) ?: throw new WrongUse("There is no such file: {$path}.");
        $text = (string) file_get_contents($path, length: Import::MOST_BYTES + 1);
        $incoming = $this->import->preview($text, basename($path));
        $taken = $this->option('look') ? [] : $this->import->take(
            $incoming,
            array_fill(0, count($incoming), $conflicts),
            basename($path),
        )['taken'];
        $rows = array_map(fn ($item): array => [
            'name' => $item->file->name(), 'state' => $item->state, 'unknown' => $item->file->unknown(),
        ], $incoming);
        if ($this->option('json')) {
            $this->json(['items' => $rows, 'taken' => array_map(fn (Entry $entry): string => $entry->slug, $taken)]);

            return self::SUCCESS;
        }
        foreach ($rows as $row) {
            $unknown = $row['unknown'] === [] ? '' : ', kept without effect: '.implode(', ', $row['unknown']);
            $this->line(sprintf('%-9s %s', $row['state'], $row['name'].$unknown));
        }
        $names = implode(', ', array_map(fn (Entry $entry): string => $entry->slug, $taken)) ?: 'nothing';
        $this->line($this->option('look') ? 'Nothing was taken.' : "Taken: {$names}.");

        return self::SUCCESS;
    }
}
