<?php

namespace App\Console;

use App\Library\Presets;
use App\Models\WatchFolder;
use App\Resources\WatchFoldersResource;
use App\Watching\WatchFolders;

class WatchCommand extends CrateCommand
{
    protected $signature = 'watch
        {what? : list, add or remove; list when left out}
        {folder? : The folder}
        {--output=* : PRESET or PRESET@HOST, once for each file to make}
        {--json : Print JSON}';

    protected $description = 'Folders whose files are brought in and packed by themselves';

    protected function perform(): int
    {
        $folders = app(WatchFolders::class);
        $what = $this->argument('what') ?? 'list';
        $path = $this->argument('folder') === null ? null : $this->absolute($this->argument('folder'));
        match (true) {
            $what === 'list' => null,
            $path === null => throw new WrongUse("Say which folder: bin/crate watch {$what} FOLDER."),
            $what === 'add' => $folders->add($path, OutputOption::all($this->option('output'), app(Presets::class))),
            $what === 'remove' => $folders->remove(self::known($path)),
            default => throw new WrongUse("bin/crate watch does not know “{$what}”; it knows list, add and remove."),
        };
        if ($this->option('json')) {
            $this->json(WatchFoldersResource::of($folders->all()));

            return self::SUCCESS;
        }
        foreach (WatchFoldersResource::of($folders->all())['folders'] as $folder) {
            $outputs = array_map(
                fn (array $output): string => $output['preset'].($output['host'] === null ? '' : "@{$output['host']}"),
                $folder['outputs'],
            );
            $this->line("{$folder['path']}   ".implode(' ', $outputs));
            foreach ($folder['files'] as $file) {
                $this->line(rtrim(sprintf('  %-9s %s  %s', $file['state'], $file['name'], $file['error'] ?? '')));
            }
        }

        return self::SUCCESS;
    }

    private static function known(string $path): WatchFolder
    {
        return WatchFolder::query()->firstWhere('path', realpath($path) ?: $path) ?? throw new WrongUse("{$path} is not watched.");
    }
}
