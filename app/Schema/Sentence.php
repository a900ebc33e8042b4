<?php

namespace App\Schema;

use Opis\JsonSchema\Errors\ErrorFormatter;
use Opis\JsonSchema\Errors\ValidationError;

/** A fault of some JSON as a sentence for the person who typed it: "A name has at most 120 characters; this has 600". */
final class Sentence
{
    /** What people call the fields that they type. */
    private const NAMES = ['name' => 'A name', 'about' => 'A note', 'note' => 'A note', 'notes' => 'A note', 'tags' => 'A list of tags'];

    public static function of(ValidationError $error): string
    {
        $path = array_map(strval(...), $error->data()->fullPath());
        $field = end($path) === false ? '' : (string) end($path);
        $subject = self::NAMES[$field] ?? ($path === [] ? 'It' : implode(' › ', $path));
        $value = $error->data()->value();
        $args = $error->args();
        $number = fn (string $name): string => number_format((float) ($args[$name] ?? 0), 0, '.', ',');
        $have = fn (int $count): string => 'this has '.number_format($count, 0, '.', ',');

        return match ($error->keyword()) {
            'maxLength' => "{$subject} has at most {$number('max')} characters; ".$have(mb_strlen(is_string($value) ? $value : '')),
            'minLength' => "{$subject} has at least {$number('min')} ".($args['min'] === 1 ? 'character' : 'characters').'; this is empty',
            'pattern' => $value === '' || trim(is_string($value) ? $value : '') === '' ? "{$subject} is needed; this is empty"
                : "{$subject} is not written so: “".mb_strimwidth(is_string($value) ? $value : '', 0, 40, '…').'”',
            'maxItems' => "{$subject} has at most {$number('max')} entries; ".$have(is_countable($value) ? count($value) : 0),
            'minItems' => "{$subject} needs an entry at least",
            'minimum' => "{$subject} is {$number('min')} at least, not ".(is_scalar($value) ? $value : ''),
            'maximum' => "{$subject} is {$number('max')} at most, not ".(is_scalar($value) ? $value : ''),
            'exclusiveMinimum' => "{$subject} is above {$number('min')}, not ".(is_scalar($value) ? $value : ''),
            'required' => ($path === [] ? '' : "{$subject}: ").'“'.implode('” and “', (array) ($args['missing'] ?? [])).'” is missing',
            'enum' => "{$subject} cannot be ".(is_scalar($value) ? "“{$value}”" : 'this'),
            'type' => "{$subject} is ".self::kind($args['expected'] ?? '').', not '.self::kind($args['type'] ?? ''),
            default => "{$subject}: ".lcfirst((new ErrorFormatter)->formatErrorMessage($error)),
        };
    }

    private static function kind(mixed $type): string
    {
        $names = ['string' => 'text', 'integer' => 'a whole number', 'number' => 'a number', 'boolean' => 'yes or no', 'array' => 'a list',
            'object' => 'a group of fields', 'null' => 'nothing'];

        return implode(' or ', array_map(fn (mixed $one): string => $names[$one] ?? (string) $one, (array) $type));
    }
}
