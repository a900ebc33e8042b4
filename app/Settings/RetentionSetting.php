<?php

namespace App\Settings;

use OuterCrate\Store\RetentionLimit;

/** How long logs, tests, samples and derived files are kept. */
final class RetentionSetting implements Entry
{
    use Configured;

    public const KINDS = ['logs', 'tests', 'samples', 'derived'];

    private const MAX_DAYS = 3_650;

    private const MAX_GIGABYTES = 100_000;

    public function name(): string
    {
        return 'retention';
    }

    public function configured(): string
    {
        return 'crate.retention';
    }

    /** Encodes as a JSON object even if empty. */
    public function told(mixed $value): object
    {
        return (object) $value;
    }

    /** @return array<string, array{days: ?int, gigabytes: ?float}> */
    public function checked(mixed $value): array
    {
        $value = is_string($value) ? json_decode($value, true) : $value;
        if (! is_array($value) || array_diff(array_keys($value), self::KINDS) !== []) {
            throw new SettingRefused(
                'Retention limits are for '.implode(', ', self::KINDS).' only.',
                'Write them as in {"logs": {"days": 90, "gigabytes": null}}.',
            );
        }

        return array_map(fn (mixed $limit): array => self::limit($limit), $value);
    }

    /** @return array{days: ?int, gigabytes: ?float} */
    private static function limit(mixed $limit): array
    {
        ['days' => $days, 'gigabytes' => $gigabytes] = (is_array($limit) ? $limit : []) + ['days' => null, 'gigabytes' => null];
        if ($days !== null && (! is_int($days) || $days < 1 || $days > self::MAX_DAYS)) {
            throw new SettingRefused('Days must be a whole number from 1 to '.self::MAX_DAYS.'.', 'Leave the field empty for no limit.');
        }
        if ($gigabytes !== null && (! is_numeric($gigabytes) || $gigabytes <= 0 || $gigabytes > self::MAX_GIGABYTES)) {
            throw new SettingRefused(
                'Gigabytes must be above 0 and at most '.self::MAX_GIGABYTES.'.', 'Leave the field empty for no limit.',
            );
        }

        return ['days' => $days, 'gigabytes' => $gigabytes === null ? null : (float) $gigabytes];
    }

    /**
     * @param  array<string, array{days: ?int, gigabytes: int|float|null}>  $checked
     * @return array<string, RetentionLimit> by kind
     */
    public static function limits(array $checked): array
    {
        return array_map(fn (array $limit): RetentionLimit => new RetentionLimit(
            $limit['days'], $limit['gigabytes'] === null ? null : (float) $limit['gigabytes'],
        ), $checked);
    }
}
