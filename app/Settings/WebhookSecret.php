<?php

namespace App\Settings;

use Illuminate\Support\Facades\Crypt;

/** What webhooks are signed with. It is kept sealed by the application's key, and told to nobody. */
final class WebhookSecret implements Entry
{
    use Configured;

    /** Characters under which a key of HMAC-SHA-256 can be guessed (RFC 2104, 3, asks for no fewer bytes than the hash has). */
    private const LEAST = 32;

    public function name(): string
    {
        return 'webhookSecret';
    }

    public function configured(): string
    {
        return 'crate.end.secret';
    }

    public function checked(mixed $value): string
    {
        if (! is_string($value) || strlen($value) < self::LEAST) {
            throw new SettingRefused('The secret is too short to sign with.', 'Take '.self::LEAST.' characters or more.');
        }

        return Crypt::encryptString($value);
    }

    public function told(mixed $value): bool
    {
        return $value !== null;
    }
}
