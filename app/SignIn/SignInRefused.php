<?php

namespace App\SignIn;

use App\Models\Role;
use OuterCrate\Refusals\Answers;
use OuterCrate\Refusals\Refused;
use RuntimeException;

/** Someone who is not let in, or not yet. */
final class SignInRefused extends RuntimeException implements Refused
{
    use Answers;

    public static function unknown(): self
    {
        return new self(401, 'sign-in', 'You are not signed in.', 'Sign in. Runs in progress continue.');
    }

    public static function token(): self
    {
        return new self(401, 'token', 'This token is unknown or has expired.', 'Make another: bin/crate tokens add USER NAME.');
    }

    public static function wrong(): self
    {
        return new self(422, 'wrong', 'Wrong name or password.', 'Try again; passwords are case-sensitive.');
    }

    public static function tooOften(int $seconds): self
    {
        return new self(429, 'too-often', 'Too many failed sign-ins from here.', "Wait {$seconds} s, then try again.");
    }

    public static function role(Role $has, Role $needs): self
    {
        return new self(
            403,
            'role',
            "This needs the role of {$needs->value}; you are signed in as {$has->value}.",
            'Ask an owner to do it, or to change your role: bin/crate users role NAME ROLE.',
        );
    }

    /** There is nobody who could sign in. */
    public static function nobody(): self
    {
        return new self(
            403,
            'origin',
            'Open Outer Crate by its own address, 127.0.0.1.',
            'To open it from elsewhere, add a user on its machine: bin/crate users add NAME.',
        );
    }

    /** A user or token that cannot be as it was asked for; nothing was changed. */
    public static function notSo(string $what, string $todo): self
    {
        return new self(422, 'refused', $what, $todo);
    }
}
