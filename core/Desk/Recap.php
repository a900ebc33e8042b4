<?php

declare(strict_types=1);

namespace OuterCrate\Desk;

use OuterCrate\Analysis\Severity;
use OuterCrate\Planning\Plan;
use OuterCrate\Presets\Role;
use OuterCrate\Units\ByteCount;

/** The plain sentence summary of what will be made. */
final class Recap
{
    /** Files that are each named; more are counted. */
    private const MOST_NAMED = 4;

    /**
     * @param  list<Column>  $columns
     * @param  list<Severity>  $ofTheCut  of what was noticed of the cut itself
     */
    public static function of(array $columns, array $ofTheCut = []): string
    {
        if ($columns === []) {
            return 'Nothing is to be made yet.';
        }
        $files = [];
        $seconds = 0.0;
        $counts = [Severity::Stop->value => 0, Severity::Caution->value => 0, Severity::Note->value => 0];
        foreach ($ofTheCut as $severity) {
            $counts[$severity->value]++;
        }
        foreach ($columns as $column) {
            $files[] = self::file($column->plan).' of ≈ '.new ByteCount($column->size->bytes);
            $seconds += $column->making;
            foreach ($column->findings as $finding) {
                $counts[$finding->severity->value]++;
            }
        }

        $files = count($columns) > self::MOST_NAMED ? [self::together($columns)] : $files;

        return ucfirst(self::joined($files)).'. About '.self::length($seconds).' to make. '.self::findings($counts);
    }

    /**
     * Many files by what they are for: 4 masters and 8 uploads, together ≈ 1.3 GB.
     *
     * @param  non-empty-list<Column>  $columns
     */
    private static function together(array $columns): string
    {
        $counts = [];
        foreach ($columns as $column) {
            $role = $column->plan->spec->preset->role;
            $counts[$role->value] = ($counts[$role->value] ?? 0) + 1;
        }
        $words = [];
        foreach ($counts as $role => $count) {
            $words[] = match (Role::from($role)) {
                Role::Master, Role::Upload => "{$count} {$role}".($count === 1 ? '' : 's'),
                Role::Stills => $count === 1 ? 'a folder of stills' : "{$count} folders of stills",
                default => "{$count} {$role} ".($count === 1 ? 'file' : 'files'),
            };
        }

        return self::joined($words).
            ', together ≈ '.
            new ByteCount(array_sum(array_map(static fn (Column $column): int => $column->size->bytes, $columns)));
    }

    private static function file(Plan $plan): string
    {
        $kind = match ($plan->spec->preset->role) {
            Role::Master => "a {$plan->colour->pixelFormat->bitDepth}-bit master",
            Role::Upload => 'an upload'.($plan->spec->host === null ? '' : " for {$plan->spec->host->name}"),
            Role::Review => 'a review file',
            Role::Device => 'a device file',
            Role::Stills => 'stills',
            Role::Sound => 'a sound file',
        };

        return str_replace('a 8-bit', 'an 8-bit', $kind);
    }

    /** @param  array<string, int>  $counts by severity */
    private static function findings(array $counts): string
    {
        $parts = [];
        foreach (
            [Severity::Stop->value => 'stop', Severity::Caution->value => 'caution', Severity::Note->value => 'note'] as $severity => $word
        ) {
            if ($counts[$severity] > 0) {
                $parts[] = $counts[$severity].' '.$word.($counts[$severity] === 1 ? '' : 's');
            }
        }

        return $parts === [] ? 'Nothing to watch out for.' : ucfirst(self::joined($parts)).'.';
    }

    private static function length(float $seconds): string
    {
        $whole = max(1, (int) ceil($seconds));

        return match (true) {
            $whole < 60 => "{$whole} s",
            $whole < 3600 => intdiv($whole, 60).' min'.($whole % 60 === 0 ? '' : ' '.$whole % 60 .' s'),
            default => intdiv($whole, 3600).' h '.intdiv($whole % 3600, 60).' min',
        };
    }

    /** @param  list<string>  $parts */
    private static function joined(array $parts): string
    {
        $last = array_pop($parts);

        return $parts === [] ? (string) $last : implode(', ', $parts).' and '.$last;
    }
}
