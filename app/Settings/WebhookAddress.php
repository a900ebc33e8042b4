<?php

namespace App\Settings;

/** The address that is told when the queue is done; an empty one has it told to nobody. */
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

    public function checked(mixed $value): string
    {
        if ($value === '') {
            return '';
        }
        $parts = is_string($value) && filter_var($value, FILTER_VALIDATE_URL) !== false ? parse_url($value) : false;
        if ($parts === false || ! in_array($parts['scheme'] ?? '', ['http', 'https'], true) || isset($parts['user'])) {
            throw new SettingRefused(
                'The webhook has to be an address that begins with http:// or https://, without a password in it.',
                'Write all of it.',
            );
        }

        // A name that does not resolve yet is accepted: it is resolved again before each notification.
        WebhookTarget::address((string) $value);

        return (string) $value;
    }

    public function told(mixed $value): ?string
    {
        return $value === '' || $value === null ? null : (string) $value;
    }
}
