<?php

namespace App\Database;

/** Words that a person searches for, as patterns of LIKE. */
final class LikeWords
{
    /** Not a backslash: with PostgreSQL, PDO takes it as escaping the quotation mark after it. */
    public const ESCAPE = "escape '!'";

    /** @return list<string> a pattern for each word of a text, in small letters */
    public static function of(string $text): array
    {
        $words = preg_split('~\s+~u', trim($text), -1, PREG_SPLIT_NO_EMPTY) ?: [];

        return array_map(
            fn (string $word): string => '%'.mb_strtolower(str_replace(['!', '%', '_'], ['!!', '!%', '!_'], $word)).'%',
            $words,
        );
    }
}
