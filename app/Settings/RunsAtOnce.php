<?php

namespace App\Settings;

/** How many files are made at once. */
final class RunsAtOnce implements Entry
{
    use Configured;

    public const MOST = 16;

    public function name(): string
    {
        return 'runsAtOnce';
    }

    public function configured(): string
    {
        return 'crate.work.at_once';
    }

    public function checked(mixed $value): int
    {
        $number = filter_var($value, FILTER_VALIDATE_INT, ['options' => ['min_range' => 1, 'max_range' => self::MOST]]);

        return $number === false
            ? throw new SettingRefused('So many files cannot be made at once.', 'Say a number from 1 to '.self::MOST.'.')
            : $number;
    }
}
