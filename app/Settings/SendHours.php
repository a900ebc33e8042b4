<?php

namespace App\Settings;

use App\Configuration\DispatchSettings;
use DateTimeZone;
use InvalidArgumentException;
use OuterCrate\Dispatch\Hours;

/** Hours of the day in which it is sent, as 22:00-06:30; empty for all of them. */
final class SendHours implements Entry
{
    use Configured;

    public function name(): string
    {
        return 'sendHours';
    }

    public function configured(): string
    {
        return 'crate.dispatch.hours';
    }

    public function checked(mixed $value): string
    {
        $hours = is_string($value) ? trim($value) : null;
        try {
            Hours::of($hours ?? '?', new DateTimeZone(app(DispatchSettings::class)->zone));
        } catch (InvalidArgumentException $e) {
            throw new SettingRefused($e->getMessage(), 'Write from when to when, such as 22:00-06:30, or nothing for all of the day.');
        }

        return (string) $hours;
    }
}
