<?php

namespace Tests\Support;

use RuntimeException;

/** Puts a box into an ISO base media file whose index comes last, so that no media moves: for boxes the engine does not write. */
final class BoxEditor
{
    /** Bytes before the first child, where a box has fields of its own. */
    private const FIELDS = ['stsd' => 8, 'avc1' => 78];

    public static function box(string $type, string $content): string
    {
        return pack('N', strlen($content) + 8).$type.$content;
    }

    /** @param  string  $path  such as moov/trak */
    public static function insert(string $file, string $path, string $box): void
    {
        $bytes = file_get_contents($file);
        $start = 0;
        $end = strlen($bytes);
        $parents = [];
        foreach (explode('/', $path) as $type) {
            for ($at = $start; substr($bytes, $at + 4, 4) !== $type; $at += $size) {
                $size = unpack('N', $bytes, $at)[1];
                if ($size < 8 || $at + $size >= $end) {
                    throw new RuntimeException("There is no {$type} in {$file}.");
                }
            }
            $parents[] = $at;
            $end = $at + unpack('N', $bytes, $at)[1];
            $start = $at + 8 + (self::FIELDS[$type] ?? 0);
        }
        $bytes = substr_replace($bytes, $box, $end, 0);
        foreach ($parents as $at) {
            $bytes = substr_replace($bytes, pack('N', unpack('N', $bytes, $at)[1] + strlen($box)), $at, 4);
        }
        file_put_contents($file, $bytes);
    }
}
