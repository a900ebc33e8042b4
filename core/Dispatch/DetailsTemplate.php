<?php

declare(strict_types=1);

namespace OuterCrate\Dispatch;

use InvalidArgumentException;

/** `{cut}: night {number}`: a text of a series, with fields that each video fills. */
final readonly class DetailsTemplate
{
    public const FIELDS = [
        'cut' => 'name of the cut',
        'date' => 'day on which it is sent, as 2026-11-28',
        'number' => 'number in its series: the last one plus one',
        'host' => 'name of the host',
    ];

    /** @throws InvalidArgumentException when it has a field that there is none of */
    public function __construct(private string $template)
    {
        preg_match_all('~\{(\w+)\}~', $template, $fields);
        foreach ($fields[1] as $field) {
            if (! isset(self::FIELDS[$field])) {
                $listed = implode(' ', array_map(static fn (string $one): string => "{{$one}}", array_keys(self::FIELDS)));
                throw new InvalidArgumentException("There is no field “{{$field}}”. There are: {$listed}.");
            }
        }
    }

    /** @param  array<string, string>  $fields  by name */
    public function fill(array $fields): string
    {
        // In one go: a name that looks like a field stays what it is.
        return strtr($this->template, array_combine(
            array_map(static fn (string $field): string => "{{$field}}", array_keys($fields)),
            $fields,
        ));
    }
}
