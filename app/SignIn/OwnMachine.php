<?php

namespace App\SignIn;

use Illuminate\Http\Request;

/** Whether a request was made on this machine, at our own address: whoever sits here need not sign in. */
final class OwnMachine
{
    private const NAMES = ['127.0.0.1', 'localhost', '[::1]'];

    /** Whoever stands in between says so in one of these, and where they are, the address is theirs alone. */
    private const PASSED_ON = ['Forwarded', 'X-Forwarded-For', 'X-Forwarded-Host', 'X-Real-IP', 'Via'];

    public static function made(Request $request): bool
    {
        return self::isAddress((string) $request->server('REMOTE_ADDR'))
            && in_array($request->getHost(), self::NAMES, true)
            && array_filter(self::PASSED_ON, fn (string $header): bool => $request->headers->has($header)) === [];
    }

    /** Whether an address reaches this machine alone (RFC 1122, 3.2.1.3; RFC 4291, 2.5.3). */
    public static function isAddress(string $address): bool
    {
        $bytes = @inet_pton(trim($address, '[]'));
        if ($bytes === false) {
            return $address === 'localhost';
        }
        $mapped = str_repeat("\0", 10)."\xff\xff";

        return $bytes === inet_pton('::1') || ord(str_starts_with($bytes, $mapped) ? $bytes[12] : $bytes[0]) === 127 && (
            strlen($bytes) === 4 || str_starts_with($bytes, $mapped)
        );
    }
}
