<?php

namespace App\Database;

/** Turns search words into LIKE patterns. */
final class LikeWords
{
    /** A backslash would not work: with PostgreSQL, PDO treats it as escaping the following quotation mark. */
    public const ESCAPE = "escape '!'";

    /** @return list<string> one lower-case pattern for each word */
    public static function of(string $text): array
    {
        $words = preg_split('~\s+~u', trim($text), -1, PREG_SPLIT_NO_EMPTY) ?: [];

        return array_map(
            fn (string $word): string => '%'.mb_strtolower(str_replace(['!', '%', '_'], ['!!', '!%', '!_'], $word)).'%',
            $words,
        );
    }
}
