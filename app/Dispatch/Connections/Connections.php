<?php

namespace App\Dispatch\Connections;

use App\Configuration\DispatchSettings;
use App\Models\HostAccount;

/** Which connection an account's host is talked to by. An adapter for another host is named here. */
class Connections
{
    /** @var array<string, class-string<HostConnection>> */
    private const ALL = ['open' => OpenConnection::class, 'folder' => FolderConnection::class];

    /** @throws SendingFailed when the account's host is reached nowhere, or somewhere else by now */
    public function of(HostAccount $account): HostConnection
    {
        [$connection, $address] = self::reached($account->host);
        if ($address !== $account->address) {
            throw SendingFailed::needsPerson('moved', "{$account->host} is reached somewhere else by now.", 'Sign in again.');
        }

        return app(self::ALL[$connection]);
    }

    /**
     * How and where a host is reached, as this machine is set up.
     *
     * @return array{string, string} `open` and an address, or `folder` and a path
     *
     * @throws SendingFailed
     */
    public static function reached(string $host): array
    {
        $address = app(DispatchSettings::class)->hosts[$host] ?? '';
        if ($address === '') {
            throw SendingFailed::needsPerson('not-reached', "This machine is not told where {$host} is reached.", 'Set CRATE_HOSTS_AT.');
        }

        return [str_starts_with($address, '/') ? 'folder' : 'open', $address];
    }
}
