<?php

declare(strict_types=1);

namespace OuterCrate\Refusals;

use Throwable;

/** A failure that a person is told of: the same words wherever they meet it, in the browser and on the command line. */
interface Refused extends Throwable
{
    /** Short and stable, in kebab case; scripts rely on it. */
    public function id(): string;

    /** HTTP status (RFC 9110, 15). */
    public function status(): int;

    /** The file it is about; null where it is about none. */
    public function file(): ?string;

    /** What became of what was there or half made; empty where nothing was touched. */
    public function kept(): string;

    /** What to do about it; empty where nothing can be done. */
    public function todo(): string;
}
