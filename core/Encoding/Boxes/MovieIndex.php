<?php

declare(strict_types=1);

namespace OuterCrate\Encoding\Boxes;

use InvalidArgumentException;

/** The index (`moov`) of an ISO base media file, held as bytes and changed in place (ISO/IEC 14496-12). */
final class MovieIndex
{
    /** Bytes of a visual sample entry before its boxes (12.1.3), and of the table of entries before its first one (8.5.2). */
    private const VISUAL_FIELDS = 78;

    private const TABLE_FIELDS = 8;

    /** @param  string  $bytes  from its size on */
    public function __construct(private string $bytes)
    {
    }

    public function bytes(): string
    {
        return $this->bytes;
    }

    /**
     * Puts boxes into the sample entry of the picture.
     *
     * @param  bool  $mediaMoves  the media lie after the index, and so move by as much
     *
     * @throws InvalidArgumentException when it has no picture, or a place would no longer fit its number
     */
    public function add(string $boxes, bool $mediaMoves): void
    {
        $path = $this->pictureEntry();
        $entry = $path[count($path) - 1];
        $end = $entry + $this->size($entry);
        if ($mediaMoves) {
            $this->moveMedia(0, strlen($boxes));
        }
        $this->bytes = substr_replace($this->bytes, $boxes, $end, 0);
        foreach ($path as $at) {
            $this->bytes = substr_replace($this->bytes, pack('N', $this->number($at) + strlen($boxes)), $at, 4);
        }
    }

    /** @return non-empty-list<int> places of the boxes around the picture's sample entry, the entry last */
    private function pictureEntry(): array
    {
        foreach ($this->children(0, 8) as $track) {
            $media = $this->type($track) === 'trak' ? $this->child($track, 'mdia') : null;
            $handler = $media === null ? null : $this->child($media, 'hdlr');
            if ($media === null || $handler === null || substr($this->bytes, $handler + 16, 4) !== 'vide') {
                continue;
            }
            $path = [0, $track, $media];
            foreach (['minf', 'stbl', 'stsd'] as $type) {
                $path[] = $this->child($path[count($path) - 1], $type) ?? throw new InvalidArgumentException("The index has no {$type}.");
            }
            $entry = $this->children($path[count($path) - 1], 8 + self::TABLE_FIELDS)[0] ?? null;
            if ($entry !== null && $this->size($entry) >= 8 + self::VISUAL_FIELDS) {
                return [...$path, $entry];
            }
        }
        throw new InvalidArgumentException('The index has no picture.');
    }

    /** Adds to every place of a chunk (8.7.5), in 32 or 64 bits. */
    private function moveMedia(int $box, int $by): void
    {
        foreach ($this->children($box, 8) as $child) {
            $type = $this->type($child);
            if (in_array($type, ['trak', 'mdia', 'minf', 'stbl'], true)) {
                $this->moveMedia($child, $by);
            } elseif ($type === 'stco' || $type === 'co64') {
                [$format, $width] = $type === 'stco' ? ['N', 4] : ['J', 8];
                $places = unpack("{$format}*", substr($this->bytes, $child + 16, $this->number($child + 12) * $width));
                $moved = array_map(
                    static fn (mixed $place): int => (is_int($place) ? $place : 0) + $by,
                    $places === false ? [] : array_values($places),
                );
                if ($type === 'stco' && $moved !== [] && max($moved) > 0xFFFFFFFF) {
                    throw new InvalidArgumentException('The index counts places in 32 bits, and the last would lie above.');
                }
                $this->bytes = substr_replace($this->bytes, pack("{$format}*", ...$moved), $child + 16, count($moved) * $width);
            }
        }
    }

    /** @return list<int> places of the boxes within a box, after so many bytes of it */
    private function children(int $box, int $skip): array
    {
        $found = [];
        $end = $box + $this->size($box);
        for ($at = $box + $skip; $at + 8 <= $end; $at += $size) {
            $size = $this->size($at);
            if ($size < 8 || $at + $size > $end) {
                break;
            }
            $found[] = $at;
        }

        return $found;
    }

    private function child(int $box, string $type): ?int
    {
        foreach ($this->children($box, 8) as $child) {
            if ($this->type($child) === $type) {
                return $child;
            }
        }

        return null;
    }

    private function type(int $box): string
    {
        return substr($this->bytes, $box + 4, 4);
    }

    private function size(int $box): int
    {
        return min($this->number($box), strlen($this->bytes) - $box);
    }

    private function number(int $at): int
    {
        $bytes = substr($this->bytes, $at, 4);
        $number = strlen($bytes) === 4 ? unpack('N', $bytes) : false;

        return is_array($number) && is_int($number[1] ?? null) ? $number[1] : 0;
    }
}
