<?php

namespace App\Transit;

/** A result as a table: a line for each candidate and screen (RFC 4180). */
final class ResultCsv
{
    /** @param  array<string, mixed>  $result  resources/schema/transit.json */
    public static function of(array $result): string
    {
        $lines = [];
        foreach ($result['candidates'] as ['name' => $name, 'upload' => $upload, 'after' => $screens, 'sound' => $sound]) {
            foreach ($screens as $after) {
                $lines[] = [
                    'candidate' => $name,
                    'bytes' => $upload['bytes'],
                    'uploadBitrate' => $upload['bitrate'],
                    'uploadWanted' => $upload['wanted'],
                    'uploadSsimDb' => $upload['ssimDb'],
                    'seconds' => $upload['seconds'],
                    'sendSeconds' => $upload['sendSeconds'],
                ] + $after + [
                    'loudness' => $sound['loudness'] ?? null,
                    'truePeak' => $sound['truePeak'] ?? null,
                    'recommended' => $name === $result['recommended']['name'],
                ];
            }
        }
        $rows = [array_keys($lines[0] ?? []), ...array_map(array_values(...), $lines)];

        return implode('', array_map(fn (array $row): string => implode(',', array_map(self::field(...), $row))."\r\n", $rows));
    }

    private static function field(mixed $value): string
    {
        $text = match (true) {
            is_bool($value) => $value ? '1' : '0',
            is_array($value) => implode(' ', array_map(fn (mixed $one): string => (string) ($one ?? '–'), $value)),
            default => (string) $value,
        };

        return preg_match('~[",\r\n]~', $text) === 1 ? '"'.str_replace('"', '""', $text).'"' : $text;
    }
}
