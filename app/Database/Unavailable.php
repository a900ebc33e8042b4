<?php

namespace App\Database;

use OuterCrate\Refusals\Refused;
use OuterCrate\Refusals\Says;
use RuntimeException;
use Throwable;

/** The database or space on the application's own drive is temporarily unavailable. The request can be repeated later. */
final class Unavailable extends RuntimeException implements Refused
{
    use Says;

    private function __construct(private readonly string $id, string $what, string $todo, string $kept = '')
    {
        $this->say($what, $todo, $kept);
    }

    /** Null for any other error. */
    public static function of(Throwable $e): ?self
    {
        $fault = DatabaseFault::of($e);
        if ($fault !== null) {
            return new self($fault->value, $fault->message(), $fault->todo(), $fault->kept());
        }

        // PHP passes on the messages of the C library.
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

    /** Service unavailable (RFC 9110, 15.6.4). */
    public function status(): int
    {
        return 503;
    }
}
