<?php

namespace App\Upkeep;

use App\Media\AllowedFolder;
use App\Media\Drive;
use OuterCrate\Refusals\Refused;

/** Checks what a start needs besides the database: the key, writable folders, and a free port. */
final class Footing
{
    /** @throws Refused */
    public static function check(string $address, int $port): void
    {
        self::key();
        foreach ([storage_path('logs'), storage_path('framework/cache/data'), storage_path('framework/sessions')] as $folder) {
            self::writable($folder);
        }
        foreach (['deliveries' => 'CRATE_DELIVERIES', 'uploads' => 'CRATE_UPLOADS', 'derived' => 'CRATE_DERIVED'] as $what => $name) {
            $folder = (string) config("crate.{$what}");
            // A share that is away is waited for by what needs it, and stops nothing else.
            if (Drive::answers($folder)) {
                self::writable($folder, " {$name} in .env or the settings name it.");
                self::allowed($folder, $what === 'derived' ? null : $name);
            }
        }
        self::port($address, $port);
    }

    private static function key(): void
    {
        $key = (string) config('app.key');
        $bytes = str_starts_with($key, 'base64:') ? base64_decode(substr($key, 7), true) : $key;
        if ($bytes === false || strlen($bytes) !== 32) {
            throw new StartRefused(
                '.env has no valid APP_KEY.',
                'Where an earlier one sealed tokens and secrets, put it back from your backup; otherwise remove .env and start again.',
                'environment',
            );
        }
    }

    private static function writable(string $folder, string $whose = ''): void
    {
        if ((! is_dir($folder) && ! @mkdir($folder, 0o700, true)) || ! is_writable($folder)) {
            throw new StartRefused(
                "The folder {$folder} cannot be written to.{$whose}",
                'Let the user who runs Outer Crate write there, or name another folder.',
                'folder',
            );
        }
    }

    private static function allowed(string $folder, ?string $name): void
    {
        $fault = $name === null ? null : AllowedFolder::fault($folder);
        if ($fault !== null) {
            throw new StartRefused($fault, "Name another folder in {$name}.", 'folder');
        }
    }

    private static function port(string $address, int $port): void
    {
        $shown = str_contains($address, ':') ? "[{$address}]" : $address;
        $server = @stream_socket_server("tcp://{$shown}:{$port}", $code, $message);
        if ($server !== false) {
            fclose($server);

            return;
        }
        throw new StartRefused("{$shown}:{$port} cannot be listened on: {$message}.", match ($code) {
            SOCKET_EADDRINUSE => 'Another program uses this port. End it, or choose another: bin/start --port '.($port + 1).'.',
            SOCKET_EADDRNOTAVAIL => 'This machine has no such address. Choose one of its own, or 0.0.0.0 for all of them.',
            SOCKET_EACCES => 'Ports below 1024 need rights that you do not have. Choose a higher one.',
            default => 'Choose another address or port.',
        }, 'port');
    }
}
