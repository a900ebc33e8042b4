<?php

declare(strict_types=1);

namespace OuterCrate\Planning\Cells;

/** The shapes of JSON that rules and values are made of, as JSON Schema (2020-12). */
final class Shape
{
    /** @return array<string, mixed> */
    public static function text(?int $longest = null, string $about = '', bool $orNull = false): array
    {
        return self::described(['type' => self::type('string', $orNull)] + ($longest === null ? [] : ['maxLength' => $longest]), $about);
    }

    /**
     * @param  list<string>  $words
     * @return array<string, mixed>
     */
    public static function words(array $words, string $about = '', bool $orNull = false): array
    {
        return self::described(['type' => self::type('string', $orNull), 'enum' => $orNull ? [...$words, null] : $words], $about);
    }

    /** @return array<string, mixed> a whole number */
    public static function integer(?Bounds $bounds = null, string $about = '', bool $orNull = false): array
    {
        $within = $bounds === null ? [] : ['minimum' => (int) $bounds->least, 'maximum' => (int) $bounds->most];

        return self::described(['type' => self::type('integer', $orNull)] + $within, $about);
    }

    /** @return array<string, mixed> */
    public static function number(string $about = '', bool $orNull = false): array
    {
        return self::described(['type' => self::type('number', $orNull)], $about);
    }

    /**
     * A number whose bounds the plan holds, and answers with a finding: what a person typed is kept and can be put right.
     *
     * @return array<string, mixed>
     */
    public static function figure(Bounds $bounds, string $about = '', bool $orNull = false, bool $whole = false): array
    {
        $about = trim("{$about} From {$bounds}.");

        return self::described(['type' => self::type($whole ? 'integer' : 'number', $orNull)], $about);
    }

    /** @return array<string, mixed> above 0 */
    public static function positive(string $about = '', ?float $most = null): array
    {
        return self::described(['type' => 'number', 'exclusiveMinimum' => 0] + ($most === null ? [] : ['maximum' => $most]), $about);
    }

    /** @return array<string, mixed> */
    public static function flag(): array
    {
        return ['type' => 'boolean'];
    }

    /**
     * @param  array<string, array<string, mixed>>  $properties
     * @param  list<string>  $required
     * @return array<string, mixed>
     */
    public static function object(array $properties, array $required = []): array
    {
        return ['type' => 'object', 'properties' => $properties, 'required' => $required, 'additionalProperties' => false];
    }

    /**
     * A decided value: its label and its parts, all of them there.
     *
     * @param  array<string, array<string, mixed>>  $properties
     * @param  array<string, array<string, mixed>>  $later  parts that plans of earlier versions lack
     * @return array<string, mixed>
     */
    public static function value(array $properties, array $later = []): array
    {
        $properties = ['label' => self::text()] + $properties;

        return self::object($properties + $later, array_keys($properties));
    }

    /**
     * @param  array<string, mixed>  ...$shapes
     * @return array<string, mixed>
     */
    public static function either(array ...$shapes): array
    {
        return ['oneOf' => array_values($shapes)];
    }

    /**
     * @param  array<string, mixed>  $shape
     * @return array<string, mixed>
     */
    public static function orNull(array $shape): array
    {
        return ['anyOf' => [$shape, ['type' => 'null']]];
    }

    /** @return string|list<string> */
    private static function type(string $type, bool $orNull): string|array
    {
        return $orNull ? [$type, 'null'] : $type;
    }

    /**
     * @param  array<string, mixed>  $shape
     * @return array<string, mixed>
     */
    private static function described(array $shape, string $about): array
    {
        return $shape + ($about === '' ? [] : ['description' => $about]);
    }
}
