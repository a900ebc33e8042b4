<?php

namespace Tests\Support;

use Opis\JsonSchema\Validator;
use OuterCrate\Checks\CheckList;
use OuterCrate\Checks\Findings\Finding;
use OuterCrate\Desk\Column;
use OuterCrate\Desk\Desk as CoreDesk;
use OuterCrate\Desk\Pace;
use OuterCrate\Devices\DeviceFile;
use OuterCrate\Documents\PlanDocument;
use OuterCrate\Encoding\Encoders;
use OuterCrate\Estimates\TimeEstimate;
use OuterCrate\Formats\Catalogue;
use OuterCrate\Hosts\Host;
use OuterCrate\Hosts\HostFile;
use OuterCrate\Planning\OutputSpec;
use OuterCrate\Planning\Plan;
use OuterCrate\Planning\Sheet\Cells;
use OuterCrate\Planning\Sheet\Planner;
use OuterCrate\Planning\Sheet\Schemas;
use OuterCrate\Planning\Subject;
use OuterCrate\Planning\Volume;
use OuterCrate\Presets\Preset;
use OuterCrate\Presets\Rules;
use OuterCrate\Reading\ProbeReader;
use OuterCrate\Reading\Reading;
use OuterCrate\Units\LineSpeed;

/** The desk with the shipped presets and hosts, without the framework. */
final class Desk
{
    public static function reading(array $probe, int $bytes = 1_000_000): Reading
    {
        return (new ProbeReader)->read($probe, $bytes, true);
    }

    public static function documents(?Cells $cells = null): PlanDocument
    {
        $catalogue = new Catalogue;
        $cells ??= new Cells;

        return new PlanDocument($catalogue, $cells, new Planner($catalogue, $cells), new HostFile($catalogue), new ProbeReader);
    }

    public static function preset(string $slug): Preset
    {
        $read = fn (string $file): array => json_decode(file_get_contents(__DIR__."/../../{$file}.json"), true);
        $file = $read("presets/{$slug}");

        return Preset::fromFile(
            $slug,
            $file,
            isset($file['device']) ? DeviceFile::device($file['device'], $read("devices/{$file['device']}")) : null,
        );
    }

    /** @param  array<string, mixed>  $asks  in place of what the file asks */
    public static function host(?string $slug, array $asks = []): ?Host
    {
        return $slug === null
            ? null
            : (new HostFile(new Catalogue))->host($slug, array_replace_recursive(self::hostFile($slug), ['asks' => $asks]));
    }

    public static function hostFile(string $slug): array
    {
        return json_decode(file_get_contents(__DIR__."/../../hosts/{$slug}.json"), true);
    }

    /** @return list<string> */
    public static function presets(): array
    {
        return array_map(fn (string $path): string => basename($path, '.json'), glob(__DIR__.'/../../presets/*.json'));
    }

    /** @return list<string> */
    public static function hosts(): array
    {
        return array_map(fn (string $path): string => basename($path, '.json'), glob(__DIR__.'/../../hosts/*.json'));
    }

    /** @param  string  $output PRESET or PRESET@HOST */
    public static function column(
        Reading $reading,
        string $output,
        array $edits = [],
        ?array $encoders = null,
        ?int $free = null,
        ?Subject $subject = null,
        array $asks = [],
        ?Cells $cells = null,
    ): Column {
        [$preset, $host] = explode('@', $output) + [1 => null];
        $cells ??= new Cells;
        $desk = new CoreDesk($cells, new Planner(new Catalogue, $cells), new CheckList(new Encoders));
        $pace = new Pace(new TimeEstimate(new Encoders, []), LineSpeed::said(5_000_000));
        $subject ??= new Subject($reading, $encoders, new Volume($free));

        return $desk->column($subject, new OutputSpec(self::preset($preset), self::host($host, $asks), new Rules($edits)), $pace);
    }

    /** @param  string  $output PRESET or PRESET@HOST */
    public static function plan(
        Reading $reading,
        string $output,
        array $edits = [],
        ?array $encoders = null,
        ?int $free = null,
        ?Subject $subject = null,
        array $asks = [],
    ): Plan {
        return self::column($reading, $output, $edits, $encoders, $free, $subject, $asks)->plan;
    }

    /** @return list<string> ids of a column's findings */
    public static function findings(Column $column): array
    {
        return array_map(fn (Finding $finding): string => $finding->id, $column->findings);
    }

    /** Whether edits are in the shape that the sheet takes them in, or rules in that of presets and plans. */
    public static function fits(array $edits, string $schema = 'edits.json'): bool
    {
        $validator = new Validator;
        foreach ((new Schemas(new Cells))->documents() as $document) {
            $validator->resolver()->registerRaw(json_encode($document));
        }

        return $validator->validate(json_decode(json_encode((object) $edits)), Schemas::ADDRESS.$schema)->isValid();
    }
}
