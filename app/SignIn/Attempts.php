<?php

namespace App\SignIn;

use Illuminate\Support\Facades\Cache;

/**
 * Counts failed sign-ins by address and by name. The wait before the next attempt grows with each failure. An address without failures
 * always gets one attempt, whatever other addresses tried with the same name, so that no one can lock an owner out.
 */
final class Attempts
{
    /** Failures of an address before it has to wait; of one that tries a name under attack. */
    private const FREE = 4;

    /** Failures with a name, from all addresses, after which it counts as under attack. */
    private const UNDER_ATTACK = 20;

    /** Seconds to wait after the first failure that is not free; each one after that doubles them. */
    private const FIRST_WAIT = 2;

    private const MAX_WAIT = 900;

    /** Seconds after the last failure for which they are remembered. */
    private const MEMORY = 3600;

    /** Bits of an IPv6 address that one visitor commands (RFC 6177). */
    private const NETWORK_BYTES = 8;

    /**
     * Seconds until the next attempt; 0 if it may be made now. It counts as a failure until succeeded() is called, so that parallel
     * attempts cannot exceed the limit.
     */
    public function take(string $address, string $name): int
    {
        return Cache::lock('sign-in', 10)->block(10, function () use ($address, $name): int {
            $now = now()->getTimestamp();
            [$failures, $until] = $this->known($byAddress = self::address($address));
            [$ofName] = $this->known($byName = self::name($name));
            if ($until > $now) {
                return $until - $now;
            }
            $free = $ofName >= self::UNDER_ATTACK ? 0 : self::FREE;
            $beyond = $failures - $free;
            $wait = $beyond < 0 ? 0 : min(self::MAX_WAIT, self::FIRST_WAIT * 2 ** min(20, $beyond));
            Cache::put($byAddress, [$failures + 1, $now + $wait], self::MEMORY);
            Cache::put($byName, [$ofName + 1, 0], self::MEMORY);

            return 0;
        });
    }

    /** Takes back the attempt that take() counted. Earlier failures of any address still count. */
    public function succeeded(string $address, string $name): void
    {
        Cache::lock('sign-in', 10)->block(10, function () use ($address, $name): void {
            foreach ([self::address($address), self::name($name)] as $key) {
                [$failures] = $this->known($key);
                Cache::put($key, [max(0, $failures - 1), 0], self::MEMORY);
            }
        });
    }

    /** @return array{int, int} failures, and the time before which no other attempt is made */
    private function known(string $key): array
    {
        $known = Cache::get($key);

        return is_array($known) ? $known : [0, 0];
    }

    private static function address(string $address): string
    {
        $bytes = @inet_pton($address);
        $visitor = $bytes !== false && strlen($bytes) === 16 ? bin2hex(substr($bytes, 0, self::NETWORK_BYTES)) : $address;

        return "sign-in:address:{$visitor}";
    }

    private static function name(string $name): string
    {
        return 'sign-in:name:'.hash('sha256', mb_strtolower($name));
    }
}
