<?php

declare(strict_types=1);

namespace OuterCrate\Reading\Matroska;

use Generator;
use OuterCrate\Reading\Boxes\BoxReader;

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
        $content = $this->content($element, 8);

        return BoxReader::number($content, 0, strlen($content));
    }

    /** @return Generator<int, Element> */
    private function within(int $position, int $end): Generator
    {
        while ($position < $end && $this->isSound) {
            $header = fseek($this->stream, $position) === 0 ? (string) fread($this->stream, self::HEADER) : '';
            [$id, $width] = VariableNumber::at($header, 0);
            [$size, $headerBytes] = VariableNumber::at($header, $width);
            $start = $position + $headerBytes;
            if ($id === null || $width > 4 || $size === null || $size > $end - $start || ++$this->elements > self::MOST_ELEMENTS) {
                $this->isSound = false;

                return;
            }
            $position = $start + $size;
            yield new Element(BoxReader::number($header, 0, $width), $start, $position);
        }
    }
}
