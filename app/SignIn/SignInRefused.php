<?php

namespace App\SignIn;

use OuterCrate\Refusals\Answers;
use OuterCrate\Refusals\Refused;
use RuntimeException;

/** Someone who is not let in, or not yet. */
final class SignInRefused extends RuntimeException implements Refused
{
    use Answers;

    public static function unknown(): self
    {
        return new self(401, 'sign-in', 'You are not signed in, or no longer.', 'Sign in; nothing that is being made has stopped.');
    }

    public static function token(): self
    {
        return new self(401, 'token', 'This token is not known here.', 'Make another: bin/crate tokens add USER NAME.');
    }

    public static function wrong(): self
    {
        return new self(422, 'wrong', 'Name or password is not right.', 'Try again; capitals count in the password.');
    }

    public static function tooOften(int $seconds): self
    {
        return new self(429, 'too-often', 'Five tries a minute are all there are.', "Wait {$seconds} s, then try again.");
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
