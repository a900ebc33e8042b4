<?php

declare(strict_types=1);

namespace OuterCrate\Encoding\Elements;

use InvalidArgumentException;

/** Elements of EBML (RFC 8794) as bytes: an identifier, a size and content. */
final class Ebml
{
    /** RFC 8794, 11.3.1: over the content of its parent that follows it. */
    private const CRC = "\xBF";

    /** RFC 8794, 11.3.2. */
    private const VOID = "\xEC";

    public static function element(string $id, string $content): string
    {
        return $id.self::size(strlen($content)).$content;
    }

    public static function unsigned(string $id, int $value): string
    {
        return self::element($id, ltrim(pack('J', $value), "\0") ?: "\0");
    }

    public static function float(string $id, float $value): string
    {
        return self::element($id, pack('G', $value));
    }

    /**
     * Nothing, of so many bytes.
     *
     * @param  int  $bytes  0, or 2 and more
     */
    public static function void(int $bytes): string
    {
        return match (true) {
            $bytes === 0 => '',
            $bytes < 2 => throw new InvalidArgumentException('Nothing takes two bytes at least.'),
            $bytes <= 9 => self::VOID.chr(0x80 | $bytes - 2).str_repeat("\0", $bytes - 2),
            // The size is written in eight bytes, whatever it is (RFC 8794, 6.1).
            default => self::VOID."\x01".substr(pack('J', $bytes - 9), 1).str_repeat("\0", $bytes - 9),
        };
    }

    /**
     * A parent's checksum, where it has one, for what it now holds.
     *
     * @param  list<array{string, string}>  $children  identifiers and contents
     */
    public static function content(array $children): string
    {
        $hasSum = ($children[0][0] ?? '') === self::CRC;
        $content = implode('', array_map(
            static fn (array $child): string => self::element(...$child),
            array_slice($children, $hasSum ? 1 : 0),
        ));

        return $hasSum ? self::element(self::CRC, pack('V', crc32($content))).$content : $content;
    }

    /**
     * @return list<array{string, string}> identifiers and contents
     *
     * @throws InvalidArgumentException where they do not end where the content does
     */
    public static function children(string $content): array
    {
        $children = [];
        for ($at = 0; $at < strlen($content); $at = $end) {
            [$id, $start, $end] = self::at($content, $at);
            $children[] = [$id, substr($content, $start, $end - $start)];
        }

        return $children;
    }

    /**
     * The element that begins at a place.
     *
     * @return array{string, int, int} its identifier, and where its content begins and ends
     *
     * @throws InvalidArgumentException where none does, or not all of it is there
     */
    public static function at(string $bytes, int $at): array
    {
        $id = self::id($bytes, $at);
        $at += strlen($id);
        $width = self::width($bytes, $at);
        $size = ord($bytes[$at]) & (0xFF >> $width);
        for ($i = 1; $i < $width; $i++) {
            $size = $size << 8 | ord($bytes[$at + $i] ?? "\0");
        }
        if ($at + $width + $size > strlen($bytes)) {
            throw new InvalidArgumentException('An element ends beyond its parent.');
        }

        return [$id, $at + $width, $at + $width + $size];
    }

    /** @throws InvalidArgumentException where no element begins */
    public static function id(string $bytes, int $at): string
    {
        return substr($bytes, $at, self::width($bytes, $at));
    }

    /** Where the content of the element at a place begins; of a segment that is too large to be held as a whole. */
    public static function inside(string $bytes, int $at): int
    {
        $at += self::width($bytes, $at);

        return $at + self::width($bytes, $at);
    }

    private static function width(string $bytes, int $at): int
    {
        $first = ord($bytes[$at] ?? "\0");
        for ($width = 1; $width <= 8; $width++) {
            if (($first & 0x100 >> $width) !== 0) {
                return $width;
            }
        }
        throw new InvalidArgumentException('Here is no element.');
    }

    /** In as few bytes as it takes; a size of ones only would stand for one that is not known (RFC 8794, 6.2). */
    private static function size(int $size): string
    {
        for ($width = 1; $size >= 2 ** (7 * $width) - 1; $width++) {
            continue;
        }

        return substr(pack('J', $size | 1 << 7 * $width), -$width);
    }
}
