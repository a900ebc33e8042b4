<?php

namespace App\Settings;

use App\Configuration\QueueEndSettings;
use Symfony\Component\HttpFoundation\IpUtils;

/**
 * Resolves the address of a webhook. Only globally reachable addresses (RFC 6890) and those in CRATE_WEBHOOK_ALLOW are accepted; otherwise
 * a webhook could make this machine send requests to services that are reachable only from inside.
 */
final class WebhookTarget
{
    /** IPv4 addresses written as IPv6: mapped (RFC 4291, 2.5.5.2), and for translation (RFC 6052, 2.1). */
    private const CARRIES_IPV4 = ['::ffff:0:0/96', '64:ff9b::/96'];

    private const MULTICAST = ['224.0.0.0/4', 'ff00::/8'];

    /**
     * The address to connect to. It is resolved once and then pinned, so that a later DNS change has no effect.
     *
     * @return string|null null if the name does not resolve
     *
     * @throws SettingRefused
     */
    public static function address(string $url): ?string
    {
        $host = trim((string) parse_url($url, PHP_URL_HOST), '[]');
        $addresses = self::lookUp($host);
        foreach ($addresses as $address) {
            if (! self::isAllowed($address)) {
                throw new SettingRefused(
                    "The webhook’s address leads to {$address}, which is not on the internet.",
                    'Choose another address, or allow this one in the configuration: CRATE_WEBHOOK_ALLOW='.$address.'.',
                );
            }
        }

        return $addresses[0] ?? null;
    }

    private static function isAllowed(string $address): bool
    {
        if (IpUtils::checkIp($address, app(QueueEndSettings::class)->webhookAllow)) {
            return true;
        }
        $bytes = (string) inet_pton($address);
        if (strlen($bytes) === 16 && IpUtils::checkIp($address, self::CARRIES_IPV4)) {
            return self::isAllowed((string) inet_ntop(substr($bytes, 12)));
        }

        return filter_var($address, FILTER_VALIDATE_IP, FILTER_FLAG_GLOBAL_RANGE) !== false
            && ! IpUtils::checkIp($address, self::MULTICAST);
    }

    /** @return list<string> */
    private static function lookUp(string $host): array
    {
        if (filter_var($host, FILTER_VALIDATE_IP) !== false) {
            return [$host];
        }
        $six = array_column(@dns_get_record($host, DNS_AAAA) ?: [], 'ipv6');

        return array_values(array_unique([...(@gethostbynamel($host) ?: []), ...$six]));
    }
}
