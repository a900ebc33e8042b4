<?php

declare(strict_types=1);

namespace OuterCrate\Hosts\Tables;

/** Pasted text as lines of cells: tabs as browsers copy them, Markdown, CSV with either comma, or columns set apart by spaces. */
final class Cells
{
    /** @return array<int, list<string>> cells by line, counted from 1; empty lines are left out */
    public static function of(string $text): array
    {
        $text = str_replace(["\r\n", "\r", "\u{A0}", "\u{202F}", "\u{2009}"], ["\n", "\n", ' ', ' ', ' '], $text);
        $lines = array_filter(explode("\n", $text), static fn (string $line): bool => trim($line, " |\t-:+") !== '');
        $split = self::splitter(array_values($lines));
        $cells = [];
        foreach ($lines as $i => $line) {
            $cells[$i + 1] = array_map(static fn (string $cell): string => trim($cell, " \t\"*`"), $split($line));
        }

        return $cells;
    }

    /**
     * @param  list<string>  $lines
     * @return callable(string): list<string>
     */
    private static function splitter(array $lines): callable
    {
        $with = static fn (string $pattern): int => count(preg_grep($pattern, $lines) ?: []);
        $most = max(1, intdiv(count($lines), 2));

        return match (true) {
            $with('~\t~') > 0 => static fn (string $line): array => explode("\t", $line),
            $with('~\|~') >= $most => static fn (string $line): array => explode('|', trim($line, ' |')),
            $with('~;~') >= $most => static fn (string $line): array => self::quoted($line, ';'),
            // A comma between digits may be a decimal one: it parts cells where text stands at one side, or quotes.
            $with('~[^\d\s]\s*,|,\s*[^\d\s]|,\s+\d~') >= $most => static fn (string $line): array => self::quoted($line, ','),
            $with('~\S {2,}\S~') >= $most => static fn (string $line): array => preg_split('~ {2,}~', trim($line)) ?: [],
            default => static fn (string $line): array => preg_split('~\s*[:=]\s+|\s+[–—]\s+(?=\D*\d)~u', trim($line), 2) ?: [],
        };
    }

    /** @return list<string> */
    private static function quoted(string $line, string $separator): array
    {
        return array_map(strval(...), str_getcsv($line, $separator, '"', ''));
    }
}
