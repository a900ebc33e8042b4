<?php

namespace App\Database;

use OuterCrate\Refusals\Refused;
use OuterCrate\Refusals\Says;
use RuntimeException;
use Throwable;

/** What Outer Crate works with is not there for the moment: its database, or room on its own drive. The same can be asked again later. */
final class Unavailable extends RuntimeException implements Refused
{
    use Says;

    private function __construct(private readonly string $id, string $what, string $todo, string $kept = '')
    {
        $this->say($what, $todo, $kept);
    }

    /** Null where something else is wrong. */
    public static function of(Throwable $e): ?self
    {
        $fault = DatabaseFault::of($e);
        if ($fault !== null) {
            return new self($fault->value, $fault->message(), $fault->todo(), $fault->kept());
        }

        // As the C library says it, also in an error of PHP's.
        return preg_match('~No space left on device|Disk quota exceeded~', $e->getMessage()) !== 1 ? null : new self(
            'disk-full',
            'The drive on which Outer Crate keeps its files is full.',
            'Free some space on it, then try again.',
        );
    }

    public function id(): string
    {
        return $this->id;
    }

    /** The service is not there for the moment (RFC 9110, 15.6.4). */
    public function status(): int
    {
        return 503;
    }
}
