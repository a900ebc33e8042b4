<?php

namespace App\Settings;

/** Bits per second of the line that sending may take; 0 for all of it. */
final class SendSpeed implements Entry
{
    use Configured;

    private const LEAST = 10_000;

    private const MOST = 100_000_000_000;

    public function name(): string
    {
        return 'sendSpeed';
    }

    public function configured(): string
    {
        return 'crate.dispatch.bits_a_second';
    }

    public function checked(mixed $value): int
    {
        $bits = filter_var($value, FILTER_VALIDATE_INT, ['options' => ['min_range' => 0, 'max_range' => self::MOST]]);

        return $bits === false || ($bits > 0 && $bits < self::LEAST)
            ? throw new SettingRefused(
                'Nothing is sent at that speed.', 'Say bits per second, such as 5000000 for 5 Mb/s, or 0 for all of the line.',
            )
            : $bits;
    }
}
