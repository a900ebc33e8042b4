<?php

declare(strict_types=1);

namespace OuterCrate\Documents;

use RuntimeException;
use Throwable;

/** A stored document that cannot be read, with the reason as a sentence. */
final class UnreadableDocument extends RuntimeException
{
    public static function isNone(string $kind): self
    {
        return new self("What was stored is no {$kind}.");
    }

    /** @param  int  $version  of its format */
    public static function isNewer(string $kind, int $version): self
    {
        return new self("The {$kind} was stored by a later version of Outer Crate, in version {$version} of its format.");
    }

    public static function because(string $kind, Throwable $reason): self
    {
        return new self("The stored {$kind} cannot be read here: {$reason->getMessage()}", 0, $reason);
    }
}
