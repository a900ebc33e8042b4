<?php

declare(strict_types=1);

namespace OuterCrate\Naming;

use InvalidArgumentException;

/** `{cut} {role} {host} {height}p{fps} v{n}`: a name with fields that a plan fills. */
final readonly class NameTemplate
{
    /** What can stand between braces, and what it becomes. */
    public const FIELDS = [
        'cut' => 'name of the cut',
        'role' => 'master, upload, review …',
        'host' => 'name of the host, or nothing',
        'preset' => 'name of the preset',
        'width' => 'pixels across',
        'height' => 'pixels down',
        'fps' => 'frames per second',
        'codec' => 'how the picture is coded',
        'piece' => 'number of the piece, where the cut goes out in several',
        'pieceName' => 'its name, or nothing',
        'n' => 'next free version',
    ];

    /** {cut} {role} {host} …: every field, as it is written. */
    public static function listed(): string
    {
        return implode(' ', array_map(static fn (string $field): string => "{{$field}}", array_keys(self::FIELDS)));
    }

    /** @throws InvalidArgumentException when it has no name in it, or a field that there is none of */
    public function __construct(private string $template)
    {
        preg_match_all('~\{([^{}]*)\}~', $template, $fields);
        foreach ($fields[1] as $field) {
            if (! isset(self::FIELDS[$field])) {
                throw new InvalidArgumentException("A name has no field “{{$field}}”. There are: ".self::listed().'.');
            }
        }
        if (
            trim((string) preg_replace('~\{[^{}]*\}~', 'x', $template)) === '' ||
            preg_match('~[{}]~', (string) preg_replace('~\{[^{}]*\}~', '', $template)) === 1
        ) {
            throw new InvalidArgumentException('A name needs at least a letter or a field, and each brace its partner: {cut} {role}.');
        }
    }

    /** Whether versions are counted in a place of their own. */
    public function countsVersions(): bool
    {
        return str_contains($this->template, '{n}');
    }

    /** @param  array<string, string>  $fields  by name, without n */
    public function fill(array $fields, int $version): string
    {
        $name = $this->template;
        foreach ($fields + ['n' => (string) $version] as $field => $text) {
            $name = str_replace("{{$field}}", $text, $name);
        }
        // A field with nothing in it leaves its separators behind.
        $name = (string) preg_replace(['~\s+~u', '~([-_·,]) *(?:[-_·,] *)+~u', '~^[\s\-_·,]+|[\s\-_·,]+$~u'], [' ', '$1 ', ''], $name);

        return FileName::safe($name);
    }
}
