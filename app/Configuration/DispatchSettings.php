<?php

namespace App\Configuration;

/** How files are sent to hosts. */
final readonly class DispatchSettings
{
    /**
     * @param  array<string, string>  $hosts  address by name
     * @param  int  $bitsPerSecond  0 for all of the line
     * @param  string  $hours  such as 22:00-06:30; empty for all day
     * @param  string  $zone  time zone of the hours
     */
    public function __construct(public array $hosts, public int $bitsPerSecond, public string $hours, public string $zone)
    {
    }

    public static function of(SetValues $values): self
    {
        return new self(
            hosts: array_map(strval(...), (array) config('crate.dispatch.hosts')),
            bitsPerSecond: (int) $values->get('crate.dispatch.bits_a_second'),
            hours: (string) $values->get('crate.dispatch.hours'),
            zone: (string) config('crate.dispatch.zone'),
        );
    }
}
