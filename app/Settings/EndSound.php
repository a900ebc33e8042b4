<?php

namespace App\Settings;

/** What is heard when all of the queue is done. */
final class EndSound implements Entry
{
    use Configured;

    /** Files of public/sounds; none is silence. */
    public const SOUNDS = ['none', 'knock', 'lamp', 'gate'];

    public function name(): string
    {
        return 'endSound';
    }

    public function configured(): string
    {
        return 'crate.end.sound';
    }

    public function checked(mixed $value): string
    {
        return is_string($value) && in_array($value, self::SOUNDS, true)
            ? $value
            : throw new SettingRefused('There is no such sound.', 'Choose one of '.implode(', ', self::SOUNDS).'.');
    }
}
