<?php

namespace App\Watching;

use App\Configuration\FolderSettings;
use App\Library\Hosts;
use App\Library\Presets;
use App\Library\UnknownName;
use App\Media\AllowedFolder;
use App\Media\Drive;
use App\Models\KeptName;
use App\Models\WatchFolder;
use App\Work\Calls\Calls;
use Illuminate\Database\Eloquent\Collection;

/** The folders that are watched. */
class WatchFolders
{
    public function __construct(private readonly Presets $presets, private readonly Hosts $hosts, private readonly Calls $calls)
    {
    }

    /** @return Collection<int, WatchFolder> */
    public function all(): Collection
    {
        return WatchFolder::query()->orderBy('path')->get();
    }

    /**
     * Watches a folder from now on, or with other outputs.
     *
     * @param  list<array{preset: string, host?: ?string}>  $outputs
     *
     * @throws WatchRefused
     * @throws UnknownName
     */
    public function add(string $path, array $outputs): WatchFolder
    {
        Drive::need($path);
        $real = str_starts_with($path, '/') && ! str_contains($path, "\0") ? realpath($path) : false;
        if ($real === false || ! is_dir($real)) {
            throw new WatchRefused("There is no folder {$path}.", 'Give its whole path, from / on.');
        }
        $fault = AllowedFolder::fault($real);
        if ($fault !== null) {
            throw new WatchRefused($fault, 'Choose a folder into which only media are put.');
        }
        if (! is_writable($real)) {
            throw new WatchRefused(
                "{$real} cannot be written to.",
                'What cannot be packed is set aside in it: change who may write there.',
            );
        }
        $folders = app(FolderSettings::class);
        foreach ([$folders->deliveries, $folders->derived] as $own) {
            $own = realpath($own) ?: $own;
            if (str_starts_with("{$real}/", "{$own}/") || str_starts_with("{$own}/", "{$real}/")) {
                throw new WatchRefused('What is made would be packed again and again.', "Choose a folder apart from {$own}.");
            }
        }
        if ($outputs === []) {
            throw new WatchRefused('There is nothing to make of its files.', 'Choose a preset.');
        }
        foreach ($outputs as $output) {
            $this->presets->need($output['preset']);
            isset($output['host']) ? $this->hosts->need($output['host']) : null;
        }

        $outputs = array_map(
            fn (array $output): array => ['preset' => $output['preset'], 'host' => $output['host'] ?? null, 'edits' => []],
            $outputs,
        );
        $folder = WatchFolder::query()->updateOrCreate(['path' => KeptName::of($real)], ['outputs' => $outputs]);
        $this->calls->call();

        return $folder;
    }

    public function remove(WatchFolder $folder): void
    {
        $folder->delete();
    }
}
