<?php

declare(strict_types=1);

namespace OuterCrate\Hosts;

/** Where figures of a host came from. */
final readonly class Source
{
    /**
     * @param  string  $of  what it tells of: `bitrates`, `audio` … (a field of the asks, or `recompression`); empty for all
     * @param  string  $text  a page, a letter, a measurement
     * @param  string|null  $lookedUp  the day, as 2026-11-24 (ISO 8601)
     */
    public function __construct(public string $of, public string $text, public ?string $lookedUp)
    {
    }
}
