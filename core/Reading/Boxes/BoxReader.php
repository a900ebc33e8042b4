<?php

declare(strict_types=1);

namespace OuterCrate\Reading\Boxes;

/**
 * Walks the boxes of a file without loading it. What a damaged or hostile file claims is bounded: boxes never reach out of
 * their parent, and no more than a fixed number of them, and of bytes, is looked at.
 */
final class BoxReader
{
    private const MOST_BOXES = 20_000;

    private const MOST_BYTES = 64_000_000;

    private int $boxes = 0;

    private int $taken = 0;

    /** @param  resource  $stream seekable, opened for reading */
    public function __construct(private $stream, private readonly int $bytes)
    {
    }

    /** @return list<Box> of the whole file */
    public function outermost(): array
    {
        return $this->within(0, $this->bytes);
    }

    /**
     * @param  int  $skip  bytes of the content that come before its first child
     * @return list<Box>
     */
    public function children(Box $box, int $skip = 0): array
    {
        return $this->within($box->start + $skip, $box->end);
    }

    /** The first child of a type, down a path such as `mdia/minf/stbl`. */
    public function find(Box $box, string $path): ?Box
    {
        foreach (explode('/', $path) as $type) {
            $found = null;
            foreach ($this->children($box) as $child) {
                if ($child->type === $type) {
                    $found = $child;
                    break;
                }
            }
            if ($found === null) {
                return null;
            }
            $box = $found;
        }

        return $box;
    }

    /** Content of a box from an offset on, at most the given number of bytes; shorter where the box or the file ends. */
    public function content(Box $box, int $from = 0, int $most = 65_536): string
    {
        $length = min($most, $box->bytes() - $from, self::MOST_BYTES - $this->taken);
        if ($length < 1 || fseek($this->stream, $box->start + $from) !== 0) {
            return '';
        }
        $content = '';
        while (strlen($content) < $length) {
            $piece = fread($this->stream, max(1, $length - strlen($content)));
            if ($piece === false || $piece === '') {
                break;
            }
            $content .= $piece;
        }
        $this->taken += strlen($content);

        return $content;
    }

    /** Ticks per second that a header of a movie or of its media states, which begin alike (ISO/IEC 14496-12, 8.2.2 and 8.4.2). */
    public function ticks(Box $header): int
    {
        $content = $this->content($header, 0, 24);

        return ord($content[0] ?? "\0") === 1 ? self::number($content, 20, 4) : self::number($content, 12, 4);
    }

    /** Big-endian number of up to 8 bytes; 0 where they are not there. */
    public static function number(string $bytes, int $at, int $length): int
    {
        $value = 0;
        for ($i = 0; $i < $length; $i++) {
            $value = ($value << 8) | ord($bytes[$at + $i] ?? "\0");
        }

        return $value;
    }

    /** @return list<Box> */
    private function within(int $position, int $end): array
    {
        $found = [];
        $end = min($end, $this->bytes);
        while ($position + 8 <= $end && $this->boxes < self::MOST_BOXES) {
            $this->boxes++;
            if (fseek($this->stream, $position) !== 0) {
                break;
            }
            $header = (string) fread($this->stream, 16);
            if (strlen($header) < 8) {
                break;
            }
            $size = self::number($header, 0, 4);
            $headerBytes = 8;
            if ($size === 1) {
                $size = self::number($header, 8, 8);
                $headerBytes = 16;
            } elseif ($size === 0) {
                $size = $end - $position;
            }
            if ($size < $headerBytes || $size > $end - $position) {
                break;
            }
            $found[] = new Box(substr($header, 4, 4), $position + $headerBytes, $position + $size);
            $position += $size;
        }

        return $found;
    }
}
