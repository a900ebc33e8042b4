<?php

namespace Tests\Support;

use Opis\JsonSchema\Validator;
use OuterCrate\Checks\CheckList;
use OuterCrate\Checks\Subject;
use OuterCrate\Checks\Volume;
use OuterCrate\Encoding\Encoders;
use OuterCrate\Formats\Catalogue;
use OuterCrate\Hosts\Host;
use OuterCrate\Planning\OutputSpec;
use OuterCrate\Planning\Plan;
use OuterCrate\Planning\Planner;
use OuterCrate\Presets\Preset;
use OuterCrate\Presets\Rules;
use OuterCrate\Reading\ProbeReader;
use OuterCrate\Reading\Reading;

/** The planner with the shipped presets and hosts, without the framework. */
final class Desk
{
    public static function reading(array $probe, int $bytes = 1_000_000): Reading
    {
        return (new ProbeReader)->read($probe, $bytes, true);
    }

    public static function preset(string $slug): Preset
    {
        return Preset::fromFile($slug, json_decode(file_get_contents(__DIR__."/../../presets/{$slug}.json"), true));
    }

    /** @param  array<string, mixed>  $asks  in place of what the file asks */
    public static function host(?string $slug, array $asks = []): ?Host
    {
        return $slug === null ? null : Host::fromFile($slug, array_replace_recursive(json_decode(file_get_contents(__DIR__."/../../hosts/{$slug}.json"), true), ['asks' => $asks]));
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
    public static function plan(Reading $reading, string $output, array $edits = [], ?array $encoders = null, ?int $free = null, ?Subject $subject = null, array $asks = []): Plan
    {
        [$preset, $host] = explode('@', $output) + [1 => null];

        return (new Planner(new Catalogue, new CheckList(new Encoders)))
            ->plan($subject ?? new Subject($reading, $encoders, new Volume($free)), new OutputSpec(self::preset($preset), self::host($host, $asks), new Rules($edits)));
    }

    /** @return list<string> ids of a plan's findings */
    public static function findings(Plan $plan): array
    {
        return array_map(fn ($finding): string => $finding->id, $plan->findings);
    }

    /** Whether edits are in the shape that the sheet takes them in. */
    public static function fits(array $edits): bool
    {
        $validator = new Validator;
        $validator->resolver()->registerPrefix('https://outer-crate.invalid/schema/', __DIR__.'/../../resources/schema');

        return $validator->validate(json_decode(json_encode((object) $edits)), 'https://outer-crate.invalid/schema/edits.json')->isValid();
    }
}
