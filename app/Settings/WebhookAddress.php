<?php

namespace App\Settings;

/** Where it is told that the queue is done; null for nowhere. */
final class WebhookAddress implements Entry
{
    use Configured;

    public function name(): string
    {
        return 'webhook';
    }

    public function configured(): string
    {
        return 'crate.end.webhook';
    }

    public function checked(mixed $value): ?string
    {
        if ($value === null || $value === '') {
            return null;
        }
        $parts = is_string($value) && filter_var($value, FILTER_VALIDATE_URL) !== false ? parse_url($value) : false;
        if ($parts === false || ! in_array($parts['scheme'] ?? '', ['http', 'https'], true) || isset($parts['user'])) {
            throw new SettingRefused(
                'The webhook has to be an address that begins with http:// or https://, without a password in it.',
                'Write all of it.',
            );
        }

        return (string) $value;
    }
}
