<?php

namespace App\Dispatch\Connections;

use OuterCrate\Refusals\Refused;
use OuterCrate\Refusals\Says;
use RuntimeException;

/** A host did not do what it was asked. */
final class SendingFailed extends RuntimeException implements Refused
{
    use Says;

    /** @param  string  $way  `later`: it is tried again; `person`: it needs the person; `anew`: its bytes are sent again; `over` */
    private function __construct(
        public readonly string $way,
        private readonly string $id,
        string $what,
        string $todo = '',
        public readonly ?int $seconds = null,
    ) {
        $this->say($what, $todo, $way === 'over' ? '' : 'What has arrived is kept.');
    }

    public function id(): string
    {
        return $this->id;
    }

    public function status(): int
    {
        return $this->way === 'later' ? 503 : 422;
    }

    /** @param  int|null  $seconds  that the host asked to wait */
    public static function later(string $what, ?int $seconds = null): self
    {
        return new self('later', 'host-away', $what, 'It is tried again by itself.', $seconds);
    }

    public static function signIn(string $host): self
    {
        return new self('person', 'sign-in', "{$host} wants to know who you are.", 'Sign in again, and it goes on.');
    }

    public static function wrongPassword(): self
    {
        return new self('person', 'wrong-password', 'There is no such account, or its password is another.', 'Try again.');
    }

    public static function needsPerson(string $id, string $what, string $todo): self
    {
        return new self('person', $id, $what, $todo);
    }

    /** The place that its bytes went to is gone, or holds others. */
    public static function anew(string $what): self
    {
        return new self('anew', 'place-gone', $what, 'It is sent again.');
    }

    public static function over(string $id, string $what, string $todo): self
    {
        return new self('over', $id, $what, $todo);
    }
}
