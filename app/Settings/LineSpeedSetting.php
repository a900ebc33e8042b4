<?php

namespace App\Settings;

use App\Models\Setting;

/** Bits per second that the line to the hosts sends; what was sent since it was set knows better (LineSpeed). */
final class LineSpeedSetting implements Entry
{
    use Configured;

    private const LEAST = 10_000;

    private const MOST = 100_000_000_000;

    public function name(): string
    {
        return 'lineSpeed';
    }

    public function configured(): string
    {
        return 'crate.line_speed';
    }

    public function checked(mixed $value): int
    {
        $bits = filter_var($value, FILTER_VALIDATE_INT, ['options' => ['min_range' => self::LEAST, 'max_range' => self::MOST]]);

        return $bits === false
            ? throw new SettingRefused('No line is that fast or that slow.', 'Say bits per second, such as 5000000 for 5 Mb/s.')
            : $bits;
    }

    public function told(mixed $value): int
    {
        return Setting::lineSpeed()->bitsPerSecond;
    }
}
