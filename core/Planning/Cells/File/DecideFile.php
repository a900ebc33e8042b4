<?php

declare(strict_types=1);

namespace OuterCrate\Planning\Cells\File;

use InvalidArgumentException;
use OuterCrate\Naming\FileName;
use OuterCrate\Naming\NameTemplate;
use OuterCrate\Planning\Draft;
use OuterCrate\Planning\OriginSource;
use OuterCrate\Planning\PlanImpossible;
use OuterCrate\Planning\Values\FileValue;
use OuterCrate\Presets\Role;

/** Name and folder, from a template; the next version where the name is taken. */
final class DecideFile
{
    private const MOST_VERSIONS = 9_999;

    /** @throws PlanImpossible when the rule leads to no value */
    public function decide(Draft $draft): void
    {
        $rule = $draft->rules->fields('file');
        $usual = self::numbered($draft, $draft->host === null || $draft->preset->role !== Role::Upload ? '{cut} {role}' : '{cut} {host}');
        $text = self::numbered($draft, $rule->text('template') ?? $usual);
        $fields = $this->fields($draft);
        try {
            $folder = $this->folder($rule->text('folder') ?? '', $fields);
            [$name, $version] = $this->free($draft, new NameTemplate($text), $fields, $folder);
            if (
                ! $rule->has('template') &&
                $draft->subject->isPlanned(ltrim("{$folder}/{$this->named(new NameTemplate($text), $fields, 1, $draft)}", '/'))
            ) {
                // Two outputs of one sheet are told apart by what they are, not by a number.
                $text = "{$usual} {preset}";
                [$name, $version] = $this->free($draft, new NameTemplate($text), $fields, $folder);
            }
        } catch (InvalidArgumentException $e) {
            throw new PlanImpossible(FileCell::NAME, $e->getMessage());
        }
        $draft->decide(
            FileCell::NAME,
            new FileValue($name, $folder, $text, $version, $this->named(new NameTemplate($text), $fields, 1, $draft)),
            $rule->has('template') || $rule->has('folder') ? OriginSource::Preset : OriginSource::Rule,
            $version > 1 ? "version {$version}: the name is taken" : $text,
        );
    }

    /** Pieces are told apart by their number, whatever the template says. */
    private static function numbered(Draft $draft, string $template): string
    {
        $isTold = str_contains($template, '{pieceName}') && ($draft->piece->name ?? '') !== '';

        return $draft->piece === null || $isTold || str_contains($template, '{piece}') ? $template : "{$template} {piece} {pieceName}";
    }

    /**
     * @param  array<string, string>  $fields
     * @return array{string, int}
     */
    private function free(Draft $draft, NameTemplate $template, array $fields, string $folder): array
    {
        for ($version = 1; $version <= self::MOST_VERSIONS; $version++) {
            $name = $this->named($template, $fields, $version, $draft);
            if (! $draft->subject->isTaken(ltrim("{$folder}/{$name}", '/'))) {
                return [$name, $version];
            }
        }
        throw new InvalidArgumentException("All versions of “{$name}” up to ".self::MOST_VERSIONS.' are taken. Choose another name.');
    }

    /** @param  array<string, string>  $fields */
    private function named(NameTemplate $template, array $fields, int $version, Draft $draft): string
    {
        $ending = $draft->container()->container->extension();
        $name = $template->fill($fields, $version).($ending === '' ? '' : ".{$ending}");

        return $template->countsVersions() ? $name : FileName::version($name, $version);
    }

    /** @return array<string, string> */
    private function fields(Draft $draft): array
    {
        return [
            'cut' => $draft->subject->cutName,
            'role' => $draft->preset->role->value,
            'host' => $draft->host->name ?? '',
            'preset' => $draft->preset->name,
            'width' => (string) $draft->frameSize()->frame->width,
            'height' => (string) $draft->frameSize()->frame->height,
            'fps' => $draft->frameRate()->rate->label(),
            'codec' => $draft->video()->codec->name(),
            'piece' => $draft->piece->number ?? '',
            'pieceName' => $draft->piece->name ?? '',
        ];
    }

    /**
     * @param  array<string, string>  $fields
     *
     * @throws InvalidArgumentException when it leads out of the folder for deliveries
     */
    private function folder(string $folder, array $fields): string
    {
        $parts = array_filter(explode('/', $folder), static fn (string $part): bool => trim($part) !== '');
        foreach ($parts as $part) {
            if (in_array(trim($part), ['.', '..'], true)) {
                throw new InvalidArgumentException('A folder lies below the one for deliveries: masters, or uploads/{host}.');
            }
        }
        if (str_starts_with($folder, '/')) {
            throw new InvalidArgumentException(
                'A folder lies below the one for deliveries: masters, or uploads/{host}, without a / before it.',
            );
        }

        return implode('/', array_map(static fn (string $part): string => (new NameTemplate($part))->fill($fields, 1), $parts));
    }
}
