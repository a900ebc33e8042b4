<?php

namespace App\Desk;

use App\Library\Hosts;
use App\Library\Presets;
use App\Library\UnknownName;
use App\Models\Cut;
use App\Models\SheetVersion;

/**
 * What a column of a sheet keeps of its preset and its host: the preset's version and its rules, so that nothing that happens to the
 * preset changes or breaks the column; and which version of the host its person has seen.
 */
class Keeper
{
    public function __construct(private readonly Presets $presets, private readonly Hosts $hosts)
    {
    }

    /**
     * @param  array<string, mixed>  $output  to save
     * @param  array<string, mixed>  $asked  the same with `version` and `hostVersion` as they were sent, if they were
     * @return array<string, mixed>
     */
    public function keep(Cut $cut, array $output, array $asked = []): array
    {
        $before = $this->before($cut, $output['key']);
        $same = $before !== null && $before['preset'] === $output['preset'];
        $version = array_key_exists('version', $asked) ? $asked['version'] : ($same ? $before['version'] ?? null : null);
        $kept = $version === null ? null : $this->ofVersion($cut, $output['preset'], $version);
        $output += $kept ?? $this->newest($output['preset']);
        $host = $output['host'];
        if ($host !== null) {
            $seen = array_key_exists('hostVersion', $asked) ? $asked['hostVersion']
                : (($before['host'] ?? null) === $host ? $before['hostVersion'] ?? null : null);
            $output['hostVersion'] = $seen ?? $this->hosts->find($host)?->version;
        }

        return $output;
    }

    /** @return array<string, mixed>|null */
    private function before(Cut $cut, string $key): ?array
    {
        foreach ($cut->outputs as $output) {
            if ($output['key'] === $key) {
                return $output;
            }
        }

        return null;
    }

    /**
     * The rules of a version: from the sheet as it stands, from the library, or from what the sheet was, which a step back leads to.
     *
     * @return array<string, mixed>|null
     */
    private function ofVersion(Cut $cut, string $preset, int $version): ?array
    {
        $of = fn (array $output): bool => $output['preset'] === $preset
            && ($output['version'] ?? null) === $version
            && isset($output['kept']);
        $found = array_values(array_filter($cut->outputs, $of))[0] ?? null;
        if ($found === null) {
            $entry = $this->presets->version($preset, $version);
            if ($entry !== null) {
                return ['version' => $version, 'kept' => $entry->file->fields()];
            }
            $earlier = SheetVersion::query()->where('cut_id', $cut->id)->orderByDesc('version')->limit(50)->get();
            $found = array_values(array_filter($earlier->pluck('outputs')->flatten(1)->all(), $of))[0] ?? null;
        }

        return $found === null ? null : ['version' => $version, 'kept' => $found['kept']];
    }

    /** @return array<string, mixed> nothing where there is no such preset: the column says so */
    private function newest(string $preset): array
    {
        try {
            $entry = $this->presets->entry($preset);

            return ['version' => $entry->version, 'kept' => $entry->file->fields()];
        } catch (UnknownName) {
            return [];
        }
    }
}
