<?php

namespace App\Library;

use OuterCrate\Refusals\Refused;
use OuterCrate\Refusals\Says;
use RuntimeException;

/** Something in the library that cannot be saved, taken away or taken back as things are. */
final class NotSaved extends RuntimeException implements Refused
{
    use Says;

    private function __construct(private readonly string $id, private readonly int $status, string $what, string $todo)
    {
        $this->say($what, $todo, 'Nothing was changed.');
    }

    public static function sameName(Kind $kind, string $name): self
    {
        return new self('same-name', 409, "There is a {$kind->value} “{$name}” already.", 'Save over it, or choose another name.');
    }

    public static function meanwhile(string $name, int $began, int $now): self
    {
        return new self(
            'saved-meanwhile',
            409,
            "“{$name}” was saved by somebody else meanwhile: you began from version {$began}, and it is at version {$now}.",
            'Look at that version, then save over it, or save yours under another name.',
        );
    }

    public static function shipped(Kind $kind, string $name): self
    {
        return new self(
            'read-only',
            409,
            "“{$name}” ships with Outer Crate and stays as it is.",
            "Save a {$kind->value} of your own from it.",
        );
    }

    public static function full(Kind $kind, int $most): self
    {
        return new self('full', 422, "There are {$most} {$kind->plural()} of your own, which is the most.", 'Take some away first.');
    }

    public static function noVersion(string $name, int $version): self
    {
        return new self('no-version', 404, "“{$name}” has no version {$version}.", 'Choose one of its versions.');
    }

    public function id(): string
    {
        return $this->id;
    }

    public function status(): int
    {
        return $this->status;
    }
}
