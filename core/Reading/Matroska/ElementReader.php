<?php

declare(strict_types=1);

namespace OuterCrate\Reading\Matroska;

use Generator;

/**
 * Walks the elements of a file without loading it. What a damaged or hostile file claims is bounded: elements never reach out of their
 * parent, and no more than a fixed number of them is looked at.
 */
final class ElementReader
{
    /** Enough for two hours of picture and sound, each block one. */
    private const MOST_ELEMENTS = 2_000_000;

    /** Bytes of the longest header: four of an identifier, eight of a size (RFC 8794, 5 and 6.1). */
    private const HEADER = 12;

    private int $elements = 0;

    /** Whether what was walked through lay as it claims; false where something was cut off, was of no known size, or too much. */
    public bool $isSound = true;

    /** @param  resource  $stream seekable, opened for reading */
    public function __construct(private $stream, private readonly int $bytes)
    {
    }

    /** @return Generator<int, Element> of the whole file */
    public function outermost(): Generator
    {
        return $this->within(0, $this->bytes);
    }

    /** @return Generator<int, Element> */
    public function children(Element $parent): Generator
    {
        return $this->within($parent->start, $parent->end);
    }

    /** The first bytes of an element's content; fewer where it ends. */
    public function content(Element $element, int $most): string
    {
        $length = min($most, $element->bytes());

        return $length < 1 || fseek($this->stream, $element->start) !== 0 ? '' : (string) fread($this->stream, $length);
    }

    /** An unsigned integer (RFC 8794, 7.2); 0 where there is none. */
    public function unsigned(Element $element): int
    {
        return self::bigEndian($this->content($element, 8));
    }

    /** @return array{?int, int} the number at a place and how many bytes it takes; null where none begins there or it is all ones */
    public static function number(string $bytes, int $at): array
    {
        $first = ord($bytes[$at] ?? "\0");
        $width = self::width($first);
        if ($width > 8 || $at + $width > strlen($bytes)) {
            return [null, $width];
        }
        $value = $first & (0xFF >> $width);
        for ($i = 1; $i < $width; $i++) {
            $value = $value << 8 | ord($bytes[$at + $i]);
        }

        return [$value === (1 << 7 * $width) - 1 ? null : $value, $width];
    }

    private static function bigEndian(string $bytes): int
    {
        $value = 0;
        for ($i = 0; $i < strlen($bytes); $i++) {
            $value = $value << 8 | ord($bytes[$i]);
        }

        return $value;
    }

    /** How many bytes a number takes, as its first one tells; 9 where it tells nothing. */
    private static function width(int $first): int
    {
        for ($width = 1; $width <= 8 && ($first & 0x100 >> $width) === 0;) {
            $width++;
        }

        return $width;
    }

    /** @return Generator<int, Element> */
    private function within(int $position, int $end): Generator
    {
        while ($position < $end && $this->isSound) {
            $header = fseek($this->stream, $position) === 0 ? (string) fread($this->stream, self::HEADER) : '';
            $width = self::width(ord($header[0] ?? "\0"));
            [$size, $sizeWidth] = self::number($header, $width);
            $start = $position + $width + $sizeWidth;
            if ($width > 4 || $size === null || $size > $end - $start || ++$this->elements > self::MOST_ELEMENTS) {
                $this->isSound = false;

                return;
            }
            $position = $start + $size;
            yield new Element(self::bigEndian(substr($header, 0, $width)), $start, $position);
        }
    }
}
