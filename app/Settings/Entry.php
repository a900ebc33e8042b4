<?php

namespace App\Settings;

/** One thing that can be set. */
interface Entry
{
    /** As pages, scripts and the database call it. */
    public function name(): string;

    /** The key of the configuration that it stands in for; null where there is none. */
    public function configured(): ?string;

    /** What it is now: as it was set, or as it is configured. */
    public function current(): mixed;

    /**
     * The value as it is kept.
     *
     * @throws SettingRefused when it cannot be that
     */
    public function checked(mixed $value): mixed;

    /** The value as it is told; a secret is not. */
    public function told(mixed $value): mixed;
}
