<?php

namespace App\Http;

use DateTimeImmutable;

/** What may stand behind the “?” of an address: the kind of value of each name. What is not named here is passed over. */
enum QueryParameters
{
    case Text;
    case Number;
    case Flag;
    case Day;
    case Moment;
    case Texts;

    private const KINDS = [
        'cut' => self::Number, 'first' => self::Number, 'last' => self::Number, 'columns' => self::Number,
        'before' => self::Number, 'offset' => self::Number,
        'since' => self::Moment,
        'only' => self::Text, 'presets' => self::Text, 'hosts' => self::Text, 'search' => self::Text,
        'preset' => self::Text, 'host' => self::Text, 'sort' => self::Text, 'cursor' => self::Text,
        'text' => self::Flag, 'pack' => self::Flag, 'again' => self::Flag, 'large' => self::Flag, 'down' => self::Flag,
        'from' => self::Day, 'until' => self::Day,
        'file' => self::Texts,
    ];

    private const MOMENT = 'Y-m-d H:i:s.v';

    /** What a value of this kind has to be; null where this one is. */
    public static function fault(string $name, mixed $value): ?string
    {
        $kind = self::KINDS[$name] ?? null;
        if ($kind === self::Texts && is_array($value)) {
            return array_filter($value, fn (mixed $one): bool => ! is_string($one)) === [] ? null : 'must be a list of texts';
        }

        return match (true) {
            $kind === null => null,
            is_array($value) => 'must be a single value',
            $kind === self::Number && preg_match('~^-?\d{1,18}$~', (string) $value) !== 1 => 'must be a whole number of at most 18 digits',
            $kind === self::Day && DateTimeImmutable::createFromFormat('!Y-m-d', (string) $value) === false => 'must be a day, '
                .'as in 2026-12-01',
            $kind === self::Moment && $value !== '' && ! self::isMoment((string) $value) => 'must be the “at” of an earlier answer, '
                .'as in 2026-12-01 14:51:07.250',
            default => null,
        };
    }

    public static function isList(string $name): bool
    {
        return (self::KINDS[$name] ?? null) === self::Texts;
    }

    /** @return array<string, mixed> JSON Schema of a value */
    public static function schema(string $name): array
    {
        return match (self::KINDS[$name] ?? self::Text) {
            self::Number => ['type' => 'integer'],
            self::Flag => ['type' => 'boolean'],
            self::Day => ['type' => 'string', 'format' => 'date'],
            self::Texts => ['type' => 'array', 'items' => ['type' => 'string']],
            self::Text, self::Moment => ['type' => 'string'],
        };
    }

    private static function isMoment(string $value): bool
    {
        return (DateTimeImmutable::createFromFormat(self::MOMENT, $value) ?: null)?->format(self::MOMENT) === $value;
    }
}
