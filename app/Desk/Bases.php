<?php

namespace App\Desk;

use App\Library\BrokenFile;
use App\Library\Devices;
use App\Library\Hosts;
use App\Library\Presets;
use App\Library\UnknownName;
use Closure;
use InvalidArgumentException;
use OuterCrate\Desk\Column;
use OuterCrate\Planning\Changed;
use OuterCrate\Planning\OutputSpec;
use OuterCrate\Planning\Sheet\Cells;
use OuterCrate\Presets\Preset;

/** What columns were begun with: the preset as it was then, and what became of preset and host since. */
class Bases
{
    public function __construct(
        private readonly Presets $presets,
        private readonly Hosts $hosts,
        private readonly Devices $devices,
        private readonly Cells $cells,
    ) {
    }

    /**
     * The preset that a column keeps, or of the version that it asks for.
     *
     * @param  array<string, mixed>  $output
     * @return Preset|null null where it keeps none: the newest holds
     */
    public function preset(array $output): ?Preset
    {
        $version = $output['version'] ?? null;
        if (! is_int($version)) {
            return null;
        }
        $kept = $output['kept'] ?? null;
        if (! is_array($kept)) {
            return $this->presets->at($output['preset'], $version);
        }
        try {
            $device = isset($kept['device']) ? $this->devices->need($kept['device']) : null;

            return Preset::fromFile($output['preset'], $kept, $device, $version);
        } catch (InvalidArgumentException|UnknownName|BrokenFile) {
            return null;
        }
    }

    /**
     * @param  array<string, mixed>  $output
     * @param  Closure(OutputSpec): Column  $plan
     */
    public function compared(OutputSpec $spec, array $output, Closure $plan): OutputSpec
    {
        if ($spec->fault !== null) {
            return $spec;
        }
        [$newer, $away] = isset($output['kept']) ? $this->presetNow($spec->preset, $output['kept']) : [null, false];
        $seen = $output['hostVersion'] ?? null;
        $newerHost = $spec->host !== null && is_int($seen) && $seen !== $spec->host->version ? $spec->host->version : null;
        $before = $newerHost === null ? null : $this->hosts->at($spec->host->slug, (int) $seen);
        if ($newer === null && ! $away && $before === null) {
            return $spec;
        }
        $differences = $before === null ? [] : $this->differences($plan($spec->with(host: $before)), $plan($spec));

        return $spec->with(changed: new Changed($newer, $away, $newerHost, $differences));
    }

    /**
     * @param  array<mixed>  $kept
     * @return array{?int, bool} the version that is there now where it is another; whether it is away
     */
    private function presetNow(Preset $preset, array $kept): array
    {
        try {
            $entry = $this->presets->entry($preset->slug);
        } catch (UnknownName) {
            return [null, true];
        }
        $rules = $entry->file->fields()['rules'] ?? [];
        $another = $entry->version !== $preset->version || $rules != ($kept['rules'] ?? []);

        return [$another ? $entry->version : null, false];
    }

    /** @return list<string> rows of the sheet that a change of the host changed */
    private function differences(Column $before, Column $after): array
    {
        $differences = [];
        [$old, $new] = [$before->plan->shown(), $after->plan->shown()];
        foreach ($new as $cell => $value) {
            [$was, $is] = [$old[$cell]->toArray()['label'], $value->toArray()['label']];
            if ($cell !== 'file' && $was !== $is) {
                $differences[] = $this->cells->get($cell)->label()." {$was} → {$is}";
            }
        }

        return $differences;
    }
}
